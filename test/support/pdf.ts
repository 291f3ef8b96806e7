import { MessageChannel, Worker } from 'node:worker_threads';

interface ReadPdf {
  pages: string[];
  sizes: [number, number][];
}

/** A thread of its own: its package puts slower functions of its own in the place of those of arrays, for all that run beside it. */
let reader: Worker | null = null;

/** The text of each page of a PDF, words parted by single spaces, and the pages' sizes in points. */
export function readPdf(file: Uint8Array): Promise<ReadPdf> {
  reader ??= new Worker('./test/support/pdfReader.mjs');
  reader.unref();
  const { port1: here, port2: there } = new MessageChannel();
  reader.postMessage({ file: Uint8Array.from(file), port: there }, [there]);
  return new Promise((resolve, reject) => {
    reader!.once('error', reject);
    here.once('message', (answer: ReadPdf | { error: string }) => {
      here.close();
      reader!.off('error', reject);
      if ('error' in answer) reject(new Error(answer.error));
      else resolve(answer);
    });
  });
}
