/** How good the estimates are on logs of painters that work otherwise than the model believes, and how long fits take. */
import { errorsOf, orderAgain } from './likeOrders';
import { PAINTERS } from './madeUpLogs';
import { priceTable, rowTable, timeTable, totalTable } from './tables';

const range = (count: number) => Array.from({ length: count }, (_, index) => index + 1);

for (const { name, says } of PAINTERS) console.log(`* **${name}**: ${says}`);
console.log(`\n${timeTable([400, 4000, 20_000])}`);
console.log(`\n${rowTable(range(6))}`);
console.log(`\n${totalTable(range(80))}`);
console.log(`\n${await priceTable(range(20))}`);

console.log('\nThirty orders painted again, each from the log of the first and of what came before it:\n');
for (const painter of PAINTERS) {
  const orders = range(30).map((seed) => orderAgain(painter, seed));
  for (const of of ['tied', 'untied', 'floor'] as const) {
    const { error, bias, holds } = errorsOf(orders.map((order) => order[of]));
    console.log(`${painter.name}, ${of}: median error ${error.toFixed(3)}, bias ${bias.toFixed(3)}, P10 to P90 holds ${holds.toFixed(2)}`);
  }
}
