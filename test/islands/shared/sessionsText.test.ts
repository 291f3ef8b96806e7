import { expect } from 'chai';
import { sessionsText } from '../../../src/islands/shared/SessionsAsked';

describe('sessions of a week in words', () => {
  it('has days with the same hours together, and says where there are none', () => {
    expect(
      sessionsText([
        { weekday: 0, from: '19:00', to: '21:30' },
        { weekday: 5, from: '14:00', to: '18:00' },
        { weekday: 3, from: '19:00', to: '21:30' },
      ]),
    ).to.equal('Mon, Thu 19:00 to 21:30; Sat 14:00 to 18:00');
    expect(sessionsText([])).to.equal('none');
  });
});
