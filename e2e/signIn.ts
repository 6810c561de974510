import type { BrowserContext } from '@playwright/test';

/** The demo's invented people. */
export const DEMO = {
  lead: { personId: 'demo-priya', pin: '3690' },
  technologist: { personId: 'demo-ines', pin: '2580' },
  student: { personId: 'demo-tomas', pin: '1470' },
};

/** Signs in as the sign-in screen does: a cookie of the browser, and the name on the device. */
export async function signInHere(device: BrowserContext, url: string, as: keyof typeof DEMO): Promise<void> {
  const { person } = await (await device.request.post(`${url}/api/sessions`, { data: DEMO[as] })).json();
  // On a page of the server that runs no program: what is kept for the origin is there before the app is.
  const [first] = device.pages();
  await first.goto(`${url}/api/health`);
  await first.evaluate((value) => localStorage.setItem('taktik.who', value), JSON.stringify(person));
  await first.goto('about:blank');
}

/** The same for a browser that begins with this test. */
export async function signIn(context: BrowserContext, url: string, as: keyof typeof DEMO): Promise<void> {
  const { person } = await (await context.request.post(`${url}/api/sessions`, { data: DEMO[as] })).json();
  await context.addInitScript((value) => {
    // Once: signing out in a test stays signed out.
    if (localStorage.getItem('taktik.tested')) return;
    localStorage.setItem('taktik.tested', '1');
    localStorage.setItem('taktik.who', value);
  }, JSON.stringify(person));
}
