import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { expect } from '@playwright/test';
import { sound } from './page.js';
import { test } from './server.js';

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';

test('a server that is told to end does so, with all that it has confirmed', async ({ page, server }) => {
  await page.goto(server.url);
  const id = await server.takeIn(BALL, 'Kept ball');
  // It is still counted when the word comes, and a page is open.
  expect(await server.end()).toBe(0);
  await server.start();
  expect((await server.pattern(id)).text).toBe(BALL);
  await server.counted();
  expect(server.said).toBe('');
});

test('a backup is made while one works, and brings back what was spoilt afterwards', async ({ page, server }) => {
  const id = await server.takeIn(BALL, 'Kept ball');
  await page.goto(`${server.url}/workspace`);
  await expect(page.getByText('There is none yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Make one now' }).click();
  const file = page.getByRole('cell', { name: /^dostik-.*-asked\.db$/ });
  await expect(file).toBeVisible();
  await sound(page);

  const name = (await file.textContent()) ?? '';
  await server.kill();
  const backup = path.join(path.dirname(server.database), 'backups', name);
  const back = spawnSync(process.execPath, ['dist/dostik.cjs', 'restore', backup, '--database', server.database]);
  expect(back.stderr.toString()).toBe('');
  await server.start();
  expect((await server.pattern(id)).text).toBe(BALL);
  expect(await (await fetch(`${server.url}/healthz`)).json()).toEqual({ ok: true });
});
