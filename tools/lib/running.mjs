/**
 * What a script has started, so that all of it is stopped in reverse, whatever ends the script.
 *
 * @returns `started` keeps what a promise resolves to, `stopAll` stops everything that is kept
 */
export function running() {
  const services = [];
  const started = async (promise) => {
    const service = await promise;
    services.push(service);
    return service;
  };
  const stopAll = async () => {
    for (const service of services.splice(0).reverse()) await service.stop().catch(() => undefined);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stopAll().then(() => process.exit(130)));
  return { started, stopAll };
}
