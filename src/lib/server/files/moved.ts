import { eq } from 'drizzle-orm';
import type { OpenDatabase } from '../db/client.js';
import { bytesToMove, photographs, testPhotographs } from '../db/schema.js';
import type { Files } from './files.js';

const TABLES = { photographs, test_photographs: testPhotographs };

/** Takes files out of a database of an earlier version, which kept them itself. What is cut off is gone on with at the next start. */
export async function moveBytes(database: OpenDatabase, files: Files): Promise<void> {
  for (;;) {
    const [next] = await database.db.select().from(bytesToMove).limit(1);
    if (!next) return;
    const { id, place, row, bytes } = next;
    const hash = await files.keep(bytes);
    await database.write(async (tx) => {
      if (place)
        await tx
          .update(TABLES[place])
          .set({ hash })
          .where(eq(TABLES[place].hash, `moving-${row}`));
      await tx.delete(bytesToMove).where(eq(bytesToMove.id, id));
    });
  }
}
