/** What some work takes: milliseconds of the processor, not by the clock, as a machine may be busy with other things. */
export function spent(work: () => unknown): number {
  const start = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(start);
  return (user + system) / 1000;
}
