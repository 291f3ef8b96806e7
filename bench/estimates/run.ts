/** How good the estimates are on logs of painters that work otherwise than the model believes, and how long fits take. */
import { PAINTERS } from './madeUpLogs';
import { priceTable, rowTable, timeTable, totalTable } from './tables';

const range = (count: number) => Array.from({ length: count }, (_, index) => index + 1);

for (const { name, says } of PAINTERS) console.log(`* **${name}**: ${says}`);
console.log(`\n${timeTable([400, 4000, 20_000])}`);
console.log(`\n${rowTable(range(6))}`);
console.log(`\n${totalTable(range(80))}`);
console.log(`\n${await priceTable(range(20))}`);
