import type { S3Client } from '@aws-sdk/client-s3';
import { log } from '../log.js';
import { Refused } from '../refused.js';
import type { Place } from './place.js';

/** So often a request that was not answered is made; each can be repeated without harm. */
const TRIES = 5;
/** So long one answer is waited for; milliseconds. */
const LONGEST = 15_000;

/**
 * A bucket of any store that speaks S3. Who asks, and where, the client reads from its own variables: `AWS_ACCESS_KEY_ID`,
 * `AWS_SECRET_ACCESS_KEY`, `AWS_REGION`, and `AWS_ENDPOINT_URL_S3` for another store than that of the name.
 */
export function bucketFiles(where: string): Place {
  const { hostname: Bucket, pathname } = new URL(where);
  const before = pathname.replace(/^\/|\/$/g, '');
  const keyOf = (name: string) => (before === '' ? name : `${before}/${name}`);
  let opened: Promise<Opened> | null = null;
  const asked = async <T>(work: (bucket: Opened) => Promise<T>): Promise<T> => {
    try {
      return await work(await (opened ??= open()));
    } catch (error) {
      log.error(error);
      throw new Refused(503, `The files can’t be reached at the moment (${where}). Try again in a minute.`);
    }
  };
  return {
    where,
    async put(name, bytes) {
      await asked(({ client, PutObjectCommand }) =>
        client.send(new PutObjectCommand({ Bucket, Key: keyOf(name), Body: bytes })),
      );
    },
    find: (name) =>
      asked(async ({ client, GetObjectCommand, NoSuchKey }) => {
        try {
          const { Body } = await client.send(new GetObjectCommand({ Bucket, Key: keyOf(name) }));
          return Body ? await Body.transformToByteArray() : null;
        } catch (error) {
          if (error instanceof NoSuchKey) return null;
          throw error;
        }
      }),
  };
}

type Opened = Pick<typeof import('@aws-sdk/client-s3'), 'PutObjectCommand' | 'GetObjectCommand' | 'NoSuchKey'> & {
  readonly client: S3Client;
};

/** Fetched when it is needed: most houses keep their files in a folder. */
async function open(): Promise<Opened> {
  const { GetObjectCommand, NoSuchKey, PutObjectCommand, S3Client } = await import('@aws-sdk/client-s3');
  const client = new S3Client({
    maxAttempts: TRIES,
    requestHandler: { connectionTimeout: LONGEST, requestTimeout: LONGEST, throwOnRequestTimeout: true },
    // Stores of other makers know neither names of buckets in that of the host nor sums that nobody asks for.
    forcePathStyle: process.env['AWS_ENDPOINT_URL_S3'] !== undefined || process.env['AWS_ENDPOINT_URL'] !== undefined,
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
  });
  return { client, GetObjectCommand, NoSuchKey, PutObjectCommand };
}
