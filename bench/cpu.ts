/** CPU milliseconds of some work, system time included. */
export async function cpuOf(work: () => unknown): Promise<number> {
  const before = process.cpuUsage();
  await work();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}
