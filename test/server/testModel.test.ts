import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect } from 'chai';
import sharp from 'sharp';
import { InputError } from '../../src/core/kernel/InputError';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { deleteCommission } from '../../src/server/intake/lifecycle';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { setAgreed } from '../../src/server/intake/scope';
import { addPicture, changePicture, loadPictures, pictureFile } from '../../src/server/intake/pictures';
import { encodePicture } from '../../src/server/intake/encodePicture';
import { answerTestModel } from '../../src/server/intake/answerTestModel';
import { sendTestModel } from '../../src/server/intake/sendTestModel';
import { entry, minute, NOW, rejected, shopForEachTest, unitEntry } from '../support/shop';

const plain = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#204060' } });

describe('pictures', () => {
  const given = shopForEachTest();

  it('are kept upright, small, and without what the camera wrote', async () => {
    const file = await plain(3000, 2000)
      .jpeg()
      .withMetadata({
        orientation: 6,
        exif: { IFD0: { Copyright: 'somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 0/1 0/1' } },
      })
      .toBuffer();
    expect((await sharp(file).metadata()).exif).not.to.equal(undefined);
    const { bytes, width, height } = await encodePicture(file);
    const kept = await sharp(bytes).metadata();
    expect([width, height, kept.format]).to.deep.equal([1067, 1600, 'jpeg']);
    expect(kept.exif).to.equal(undefined);
    expect(Buffer.from(bytes).includes('somebody')).to.equal(false);
  });

  it('are refused when they are none, broken or too large', async () => {
    const whole = await plain(400, 400).png().toBuffer();
    for (const [file, words] of [
      [Buffer.from('name,models\nKeepers,10\n'), /nothing that can be read/],
      [whole.subarray(0, whole.length / 2), /ends in the middle|nothing that can be read/],
      [await plain(9000, 7000).png().toBuffer(), /pixel|nothing that can be read/],
      [Buffer.from(''), /an empty file/],
    ] as const) {
      const error = await rejected(encodePicture(file));
      expect(error).to.be.instanceOf(InputError);
      expect(error.message).to.match(words);
    }
  });

  it('belong to a commission, a unit or a part, and come back when they were removed', async () => {
    const { id, units } = await given.shop.commission();
    const file = await plain(40, 30).png().toBuffer();
    const query = (more: Record<string, string>) => new URLSearchParams({ commission: id, ...more });
    const picture = await addPicture(given.stores, file, query({ unit: units[0]!.id }), NOW);
    expect(await rejected(addPicture(given.stores, file, query({ unit: 'other' }), NOW))).to.match(/no unit other/);
    await changePicture(given.stores, picture.id, { removed: true, closeness: 'loosely' }, NOW);
    expect(await given.stores.pictures.ofUnits([units[0]!.id])).to.deep.equal([]);
    await changePicture(given.stores, picture.id, { removed: false, caption: 'From the box' }, NOW);
    expect((await loadPictures(given.stores, query({})))[0]).to.include({
      width: 40,
      closeness: 'loosely',
      caption: 'From the box',
      removedAt: null,
    });
    expect((await pictureFile(given.stores, picture.id)).headers.get('content-type')).to.equal('image/jpeg');
    await given.shop.putOnBench(id);
    expect((await given.shop.bench()).pictures.map((each) => each.id)).to.deep.equal([picture.id]);
  });
});

describe('a test model', () => {
  const given = shopForEachTest();
  const figures = async (id: string, at = 30) => loadIntakeFigures(given.stores, id, minute(at));

  async function waitingUnit() {
    const { id, units } = await given.shop.commission('Coast', [unitEntry('Keepers', { testModel: 'waiting' })]);
    const folder = given.database.folder;
    return { id, unit: units[0]!, folder };
  }
  const outbox = (folder: string) => readdirSync(path.join(folder, 'outbox'));

  it('is timed, sent with its picture, answered, and opens the batch', async () => {
    const { id, unit, folder } = await waitingUnit();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(coat, [1], 4));
    const before = (await figures(id)).testModels[0]!;
    expect(before).to.include({ state: 'waiting', stepsDone: 1, stepsTotal: 2 });
    expect(before.minutesLogged).to.be.closeTo(4, 0.01);
    const picture = await addPicture(
      given.stores,
      await plain(20, 20).png().toBuffer(),
      new URLSearchParams({ commission: id, unit: unit.id, kind: 'test model' }),
      NOW,
    );
    const letter = { to: 'club@example.org', note: 'Lighter than the box art.', pictureIds: [picture.id] };
    const round = await sendTestModel(given.stores, unit.id, letter, { now: minute(10), folder });
    const [file] = outbox(folder);
    const eml = readFileSync(path.join(folder, 'outbox', file!), 'utf8');
    expect(eml).to.match(/^To: club@example\.org/m);
    expect(eml).to.match(/^Subject: Test model: Keepers \(Coast\)/m);
    expect(eml).to.match(/Content-Type: image\/jpeg; name="Keepers 1\.jpg"/);
    expect(eml).to.include('Lighter than the box art.');
    expect((await figures(id)).testModels[0]).to.include({ lastTo: 'club@example.org' });
    await answerTestModel(given.stores, unit.id, { roundId: round.id, answer: 'approved', note: 'lovely' }, minute(20));
    const after = (await figures(id)).testModels[0]!;
    expect(after.state).to.equal('approved');
    expect(after.rounds).to.have.lengthOf(1);
    expect(after.rounds[0]).to.include({ answer: 'approved', answerNote: 'lovely', answeredAt: minute(20).toISOString() });
    expect((await given.shop.line(id)).jobs.flatMap((job) => job.models)).to.include.members([2, 10]);
    const [kept] = await given.stores.revisions.ofUnits([unit.id]);
    expect(kept).to.deep.include({ why: 'approved', scheme: (await given.stores.commissions.findUnit(unit.id))!.scheme });
  });

  it('keeps the batch waiting after changes or a no, each with its round', async () => {
    const { id, unit } = await waitingUnit();
    await answerTestModel(given.stores, unit.id, { roundId: null, answer: 'changes wanted', note: 'darker boots' }, minute(1));
    await answerTestModel(given.stores, unit.id, { roundId: null, answer: 'no', note: '' }, minute(2));
    const [test] = (await figures(id)).testModels;
    expect(test!.state).to.equal('waiting');
    expect(test!.rounds.map(({ answer }) => answer)).to.deep.equal(['changes wanted', 'no']);
    expect((await given.stores.revisions.ofUnits([unit.id])).map(({ why }) => why)).to.deep.equal(['changes wanted']);
  });

  it('is gone on from without an answer only with a word why', async () => {
    const { id, unit } = await waitingUnit();
    const goOn = (note: string) => answerTestModel(given.stores, unit.id, { roundId: null, answer: 'on trust', note }, minute(1));
    expect((await rejected(goOn(' '))).message).to.match(/why you go on/);
    await goOn('client is at sea until Friday');
    expect((await given.shop.line(id)).jobs.flatMap((job) => job.models)).to.include(10);
  });

  it('leaves an Intake that was opened before out of date, so that it cannot shut the gate again', async () => {
    const { id, unit } = await waitingUnit();
    await answerTestModel(given.stores, unit.id, { roundId: null, answer: 'approved', note: '' }, minute(1));
    expect((await rejected(saveIntake(given.stores, id, { revision: 2, commission: entry, units: [unit] }, NOW))).message).to.match(
      /another window/,
    );
  });

  it('goes with its commission as a file, pictures, answers and revisions among it, and comes back from one', async () => {
    const { id, unit, folder } = await waitingUnit();
    const file = await plain(20, 20).png().toBuffer();
    await addPicture(given.stores, file, new URLSearchParams({ commission: id, unit: unit.id, caption: 'box' }), NOW);
    const round = await sendTestModel(given.stores, unit.id, { to: 'club@example.org', note: '', pictureIds: [] }, { now: NOW, folder });
    await answerTestModel(given.stores, unit.id, { roundId: round.id, answer: 'approved', note: 'lovely' }, minute(20));
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    await saveIntake(
      given.stores,
      id,
      { revision: 3, commission: entry, units: [{ ...unit, promised: 12, testModel: 'approved' }] },
      minute(25),
    );
    const first = (await exportCommission(given.stores, id)).text;
    await deleteCommission(given.stores, id, { deleted: true }, NOW);
    await importCommission(given.stores, JSON.parse(first), minute(40));
    const second = JSON.parse((await exportCommission(given.stores, id)).text) as Record<string, unknown>;
    expect(second['record']).to.deep.equal((JSON.parse(first) as typeof second)['record']);
    expect(await loadPictures(given.stores, new URLSearchParams({ commission: id }))).to.have.lengthOf(1);
    expect((await figures(id, 50)).scope.map(({ after }) => after)).to.deep.equal(['12']);
    const broken = JSON.parse(first) as { id: string; record: { pictures: { jpeg: string }[] } };
    broken.record.pictures[0]!.jpeg = 'AAAA';
    await deleteCommission(given.stores, id, { deleted: true }, NOW);
    expect(await rejected(importCommission(given.stores, broken, minute(41)))).to.be.instanceOf(InputError);
  });
});
