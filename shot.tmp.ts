import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { Server } from './e2e/server.js';
import config from './playwright.config.js';
const server = new Server(); await server.start();
const browser = await chromium.launch(config.use!.launchOptions);
const take = async (name: string, bytes: Buffer) => { const r = await fetch(`${server.url}/api/documents?file=${encodeURIComponent(name)}`, { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: bytes }); const t = (await r.text()).trim().split('\n').at(-1)!; return JSON.parse(t); };
const long = 'The Exceedingly Long and Winding Tale of a Very Small Hedgehog Who Had Lost Her Spines, in Seven Parts and an Epilogue'.toUpperCase();
const many = `${long}\nUS terms\nYarn: Rosewater-and-Thistledown Superwash Fingering in Unforgettable Midnight Raspberry, 120 g; Old Parchment With a Hint of Moss, 80 g\nHook 2.5 mm\n\n` + Array.from({ length: 40 }, (_, p) => `PART NUMBER ${p + 1} OF THE LONG TALE WITH A NAME THAT GOES ON (make ${p % 4 + 1})\n` + Array.from({ length: 18 }, (_, i) => i === 0 ? 'Rnd 1: 6 sc in MR (6)' : i < 6 ? `Rnd ${i + 1}: (sc ${i - 1}, inc) x 6 (${6 * (i + 1)})` : i === 9 ? 'Rnd 10: wibble the flonk and then snargle all of it until it looks like a croissant (36)' : `Rnd ${i + 1}: sc around (36)`).join('\n') + '\nFasten off, and here is a thought that has no place in a pattern at all but was written down anyway, at some length, because I could.\n').join('\n');
const a = await take('many.txt', Buffer.from(many)); console.log(a);
const b = await take('tumbly.pdf', readFileSync('src/lib/server/documents/fixtures/tumbly.lines.pdf'));
const c = await take('danish.txt', Buffer.from('En lille mus\n\nHoved\nOmgang 1: 6 fastmasker i en magisk ring (6)\nOmgang 2: tag ud i hver maske hele vejen rundt (12)\nOmgang 3: hækl en fastmaske, tag ud, og gentag dette seks gange (18)\nSy øjnene på hovedet og lad en lang ende hænge til montering.\n'));
console.log(b, c);
const shots = JSON.parse(process.argv[2]!) as { id: string; dark?: boolean; w?: number; name: string; keys?: string[] }[];
const ids: Record<string, string> = { a: a.id, b: b.id, c: c.id };
for (const s of shots) { const page = await browser.newPage({ viewport: { width: s.w ?? 1280, height: 800 }, colorScheme: s.dark ? 'dark' : 'light' }); await page.goto(`${server.url}/intake/${ids[s.id]}`, { waitUntil: 'networkidle' }); await page.waitForTimeout(600); for (const k of s.keys ?? []) { await page.keyboard.press(k); await page.waitForTimeout(250); } await page.screenshot({ path: `/tmp/shots/${s.name}.png` }); await page.close(); }
await browser.close(); await server.close();
