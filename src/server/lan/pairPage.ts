const escaped = (text: string) => text.replaceAll(/[&<>"']/g, (each) => `&#${each.charCodeAt(0)};`);

/** All that a device that was not let in gets to see: where to type the code. It needs nothing else of the program. */
export const pairPage = (code: string, problem: string | null): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Pair this device · Neat Relay</title>
<style>
:root { color-scheme: light dark; font: 1.125rem/1.4 sans-serif; }
body { max-width: 24rem; margin: 10vh auto; padding: 0 1rem; }
label { display: block; margin: 1rem 0 .25rem; }
input, button { box-sizing: border-box; width: 100%; min-height: 3.5rem; font: inherit; padding: 0 .75rem; }
input[name=code] { font: 600 1.5rem/1 monospace; letter-spacing: .2em; text-transform: uppercase; }
button { margin-top: 1.5rem; font-weight: 700; }
</style>
<main>
<h1>Pair this device</h1>
<p>In Neat Relay on the computer: House rules, Tablets and telephones, Pair a device. It shows a code that is valid for five minutes.</p>
${problem === null ? '' : `<p role="alert"><strong>${escaped(problem)}</strong></p>`}
<form method="post" action="/pair">
<label for="code">Code</label>
<input id="code" name="code" value="${escaped(code)}" autocomplete="off" autocapitalize="characters" required maxlength="16">
<label for="name">Name of this device</label>
<input id="name" name="name" value="Tablet" required maxlength="60">
<button>Pair this device</button>
</form>
</main>
</html>
`;
