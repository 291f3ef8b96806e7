import type { WebDriver } from 'selenium-webdriver';

interface TraceEvent {
  name: string;
  pid: number;
  tid: number;
  /** Microseconds. */
  dur?: number;
  args: { name?: string };
}

interface DevTools {
  send: (method: string, params: object) => Promise<unknown>;
  _wsConnection: { on: (event: 'message', listen: (message: Buffer) => void) => void; close: () => void };
}

/** How long each task of the page's main thread took while something was done, ms, as the browser's own trace has it. */
export async function recordTasks(driver: WebDriver, act: () => Promise<void>): Promise<number[]> {
  const tools = (await driver.createCDPConnection('page')) as unknown as DevTools;
  const events: TraceEvent[] = [];
  const complete = new Promise<void>((resolve) => {
    tools._wsConnection.on('message', (message) => {
      const { method, params } = JSON.parse(message.toString()) as { method?: string; params?: { value: TraceEvent[] } };
      if (method === 'Tracing.dataCollected') events.push(...params!.value);
      if (method === 'Tracing.tracingComplete') resolve();
    });
  });
  const includedCategories = ['disabled-by-default-devtools.timeline', 'devtools.timeline', '__metadata'];
  await tools.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories } });
  await act();
  await tools.send('Tracing.end', {});
  await complete;
  tools._wsConnection.close();
  const mainThreads = new Set(
    events.filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain').map(({ pid, tid }) => `${pid} ${tid}`),
  );
  return events.filter(({ name, pid, tid }) => name === 'RunTask' && mainThreads.has(`${pid} ${tid}`)).map(({ dur }) => (dur ?? 0) / 1000);
}
