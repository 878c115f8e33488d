/** Runs inside a measured server and answers what its request loop and its processor did since it was last asked. */
import { monitorEventLoopDelay } from 'node:perf_hooks';

const delay = monitorEventLoopDelay({ resolution: 1 });
delay.enable();
let cpu = process.cpuUsage();
process.on('message', () => {
  const used = process.cpuUsage(cpu);
  process.send?.({ loopMs: delay.max / 1e6, cpuMs: (used.user + used.system) / 1000, rssMb: process.memoryUsage().rss / 1e6 });
  delay.reset();
  cpu = process.cpuUsage();
});
process.channel?.unref();
