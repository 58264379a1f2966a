import { TestEnvironment } from 'jest-environment-jsdom';

/** jsdom with the platform features it lacks and pages rely on. */
export default class BrowserEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    const platform = {
      TextEncoder,
      TextDecoder,
      fetch,
      Request,
      Response,
      Headers,
      structuredClone,
      ReadableStream,
      TransformStream,
      BroadcastChannel,
      MessageChannel,
    };
    for (const [name, value] of Object.entries(platform)) this.global[name] ??= value;
  }
}
