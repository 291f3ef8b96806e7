import { readTimeLog } from './src/core/formats/readTimeLog';
  const header = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
  const rows = Array.from(
    { length: 100000 },
    (_, index) =>
      `${new Date(1.6e12 + index * 600_000).toISOString()},Fair ${index % 50},Bakers,Apron,basecoat,foot,0.2,10,${18 + (index % 97) / 10},2,`,
  );
  const log = [header, ...rows].join('\n');
  const t=performance.now(); console.log(readTimeLog(log).rows.length, performance.now()-t);
