import { allSaidWords } from '../test/support/saidWords';
const re = new RegExp(process.argv[2]!);
const all = process.argv[3] === 'all';
for (const { at, text } of allSaidWords())
  if (re.test(text) && (all || text.includes(' '))) console.log(at.replace('src/', ''), '|', text.slice(0, 200));
