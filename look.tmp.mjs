import { chromium } from '@playwright/test';
const base = 'http://localhost:4181';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
export async function open(size, scheme = 'dark') {
  const context = await browser.newContext({ viewport: size, colorScheme: scheme, serviceWorkers: 'block' });
  const { person } = await (await context.request.post(base + '/api/sessions', { data: { personId: 'demo-priya', pin: '3690' } })).json();
  await context.addInitScript((who) => localStorage.setItem('taktik.who', who), JSON.stringify(person));
  const page = await context.newPage();
  page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
  page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)));
  return page;
}
export const PHONE = { width: 390, height: 844 }, WIDE = { width: 1280, height: 800 };
export const done = () => browser.close();
export const go = (page, path) => page.goto(base + path);
