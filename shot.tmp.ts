import { writeFileSync } from 'node:fs';
import { openBrowser } from '/work/main/test/support/browser';
const base = process.env.BASE ?? 'http://127.0.0.1:4400';
const d = await openBrowser();
const shot = async (name: string, path: string, script?: string) => { await d.get(base + path); await new Promise(r => setTimeout(r, 2500)); if (script) { await d.executeScript(script); await new Promise(r => setTimeout(r, 800)); }
 writeFileSync(`/tmp/shots/${name}.png`, Buffer.from(await d.takeScreenshot(), 'base64'));
 const m = await d.executeScript('return [document.documentElement.scrollWidth, innerWidth, document.documentElement.scrollHeight, innerHeight]'); console.log(name, await d.getCurrentUrl(), m);
 for (const e of await d.manage().logs().get('browser')) console.log('  ', e.level.name, e.message.slice(0, 300)); };
try { for (const a of process.argv.slice(2)) { const [n, p, s] = a.split('::'); await shot(n!, p!, s); } } finally { await d.quit(); }
