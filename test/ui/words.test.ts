import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { allSaidWords, wordsOf } from '../support/saidWords';

/** What the program used to say, and what it says instead. */
const GONE: [RegExp, string][] = [
  [/\b(Daylight|Lamp)$/, 'Light, Dark'],
  [/^Keys$|these keys/, 'Shortcuts'],
  [/\b([Ll]eft|[Qq]uoted|model|end|[Aa]ll of it), (likely|safe)\b/, 'expected, cautious'],
  [/\blikely (done|needed|\d)|, likely\b|^Likely$|^[Ss]afe$.|\bsafe by\b/, 'expected, cautious, at the latest'],
  [/\b(times?) to fill in\b/, 'jobs without a time'],
  [/^To the work$/, 'Skip to content'],
  [/^What is it called|^For whom|Rate for an hour|Standard paid for/, 'Name, Client, Hourly rate, Painting standard'],
  [/Owned, not needed|^Who is who|^Most on a tray/, 'Spare, Leaders and groups, Tray size'],
  [/^Handed over/, 'Delivered'],
  [/\ball the same\b/, 'anyway'],
  [/Not agreed after all|Start its clock/, 'Undo agreement, Start timer'],
  [/What the list holds/, 'Match the columns'],
  [/standard paid for/, 'painting standard'],
  [/[Tt]he deepest part|Another part, further out/, 'First part, Next part'],
  [/^Parts, 1|Another share/, 'Amount, Add paint'],
  [/\bnorm we ship\b/, 'our default'],
  [/Moment, halves/, 'More options'],
  [/^Schools\b|\bschools\b /, 'Painting habits'],
  [/of it to cure/, 'for varnish to cure'],
  [/Pins and wishes|As entered|^Yours$/, 'Fixed jobs and wishes, In entry order, On the bench'],
  [/Save the problem/, 'Export the problem'],
  [/^Taken off/, 'Without it'],
  [/sweet spot/i, 'best size'],
  [/counts anew|\b[Aa]new\b|\b[Aa]fresh\b/, 'is added again, over'],
  [/^Tick\b/, 'Mark ... done'],
  [/since this window was opened/, 'since you opened this page'],
  [/\bin question\b/, 'to check'],
  [/\b[Ff]oretold\b/, 'estimated, predicted'],
  [/hours hold in|Holds by itself/, 'Safety margin: enough, Cautious hours of this unit alone'],
  [/\bnotch(es)?\b/, 'level'],
  [/Words below|in the outbox$|without a letter/, 'Note on, Prepare e-mail, Save without sending'],
  [/Please answer: accepted/, 'Please let me know whether you accept it'],
  [/\bopenings?, not\b|[Nn]ear twins\b.* /, 'opened 4 times instead of 5, Very similar paints'],
  [/[Pp]aint in hand\b|[Mm]odels that carry it/, 'Edit paint, Used on'],
  [/Nothing stands here/, 'Page not found'],
  [/\b[Ss]ittings?\b|\b[Ee]venings?\b .|. \b[Ee]venings?\b/, 'session'],
  [/\b[Ss]tretch(es)?\b .|. \b[Ss]tretch(es)?\b/, 'job, row'],
  [/\b[Ss]etups?\b .|. \b[Ss]etups?\b|\b[Cc]hangeovers?\b .|. \b[Cc]hangeovers?\b/, 'set-up'],
  [/\b[Dd]ear(er|est)\b|\bat the least\b/, 'costlier, at least'],
];

/** Names of files and keys of what is kept, which nobody reads. */
const isSaid = (text: string) => !/^[\w-]*$/.test(text) || /^[A-Z]/.test(text);

describe('words that are gone', () => {
  const said = allSaidWords().filter(({ text }) => isSaid(text));

  it('finds what is said in strings, templates and between tags, and no names of modules', () => {
    const source = `import x from 'no word'; type T = 'no word either'; const a = 'one'; const b = \`two \${a} three\`; const c = <p title="four">five</p>;`;
    expect(wordsOf('a.tsx', source).map(({ text }) => text)).to.deep.equal(['one', 'two', 'three', 'four', 'five']);
    expect(said.length).to.be.above(3000);
  });

  for (const [gone, instead] of GONE)
    it(`are said nowhere: ${gone.source} (${instead})`, () => {
      expect(said.filter(({ text }) => gone.test(text)).map(({ at, text }) => `${at} ${text}`)).to.deep.equal([]);
    });

  it('stand in no guide for painters either', () => {
    const guide = readFileSync('README.md', 'utf8').split('\n');
    for (const [gone] of GONE) expect(guide.filter((line) => gone.test(line))).to.deep.equal([]);
  });
});
