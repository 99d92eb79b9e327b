import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
import config from './playwright.config.js';
import { Server } from './e2e/server.js';
const server = new Server(); await server.start();
const browser = await chromium.launch(config.use!.launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', m => { if (m.type()==='error') console.log('CONSOLE', m.text()); });
page.on('pageerror', e => console.log('PAGEERROR', e.message));
const shot = (n: string) => page.screenshot({ path: `/tmp/d-${n}.png` });
await page.goto(server.url);
await page.getByRole('link', { name: /hermit/i }).first().click();
await page.waitForTimeout(2500);
for (let i=0;i<2;i++) { await page.keyboard.press('Alt+Period'); await page.waitForTimeout(500); await page.keyboard.press('Alt+KeyQ'); await page.waitForTimeout(700); }
await page.keyboard.press('Alt+KeyT');
// an own change
await page.keyboard.press('Alt+ArrowDown'); await page.keyboard.press('End'); await page.keyboard.type(' with the darker yarn'); await page.waitForTimeout(1500);
await page.keyboard.press('Alt+Shift+KeyV'); await page.waitForTimeout(1500); await shot('one');
await page.getByRole('button', { name: 'Take in the next draft' }).click(); await page.waitForTimeout(300);
const text = readFileSync('demo/hermit-crab.txt','utf8').replace('(4X, A)*7 (30)','(4X, A)*6 (30)').replace('R19: 26X','R18: 26X (fill)').replace('R9: (4X, V)*6 (36)\n','R9: (4X, V)*6 (36)\nR10: 36X (36)\n').replace('CLAW','PINCER');
await page.getByLabel('Or its text, pasted').fill(text); await shot('next');
await page.getByRole('button', { name: 'Take it in' }).click(); await page.waitForTimeout(2500); await shot('two');
await page.keyboard.press('Alt+Period'); await page.keyboard.press('Alt+Period'); await page.waitForTimeout(400); await shot('walk');
await page.keyboard.press('Alt+Shift+KeyQ'); await page.waitForTimeout(1500); await shot('answers');
await page.setViewportSize({ width: 390, height: 800 }); await page.waitForTimeout(500); await shot('q390');
await page.keyboard.press('Alt+Shift+KeyV'); await page.waitForTimeout(1500); await shot('d390');
await browser.close(); await server.kill(); process.exit(0);
