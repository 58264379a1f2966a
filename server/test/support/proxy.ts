import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { fileURLToPath } from 'node:url';
import httpProxy from 'http-proxy';

/// A proxy as it stands before a server: by a name of its own, with TLS or without.

const inTls = (name: string) => fileURLToPath(new URL(`tls/${name}.pem`, import.meta.url));

/** A certificate for rigs.test and 127.0.0.1, and its key, for tests alone. */
export const TLS_FILES = { cert: inTls('cert'), key: inTls('key') };

export interface Proxy {
  readonly port: number;
  /** What it asks from now on. */
  target: string;
  close(): Promise<void>;
}

export interface ProxyStart {
  readonly isTls: boolean;
  /** Asks in the name of the target, as some are set up. */
  readonly changesHost?: boolean;
  /** Says who asks, and how. */
  readonly tells?: boolean;
}

export async function startProxy({
  isTls,
  changesHost = false,
  tells = true,
}: ProxyStart): Promise<Proxy> {
  const proxy = httpProxy.createProxyServer({ changeOrigin: changesHost, xfwd: tells });
  proxy.on('error', (_error, _request, response) => response.destroy());
  const state = { target: '' };
  const server: Server = isTls
    ? createTlsServer({ cert: readFileSync(TLS_FILES.cert), key: readFileSync(TLS_FILES.key) })
    : createServer();
  server.on('request', (request, response) =>
    proxy.web(request, response, { target: state.target }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    port: (server.address() as AddressInfo).port,
    get target() {
      return state.target;
    },
    set target(to: string) {
      state.target = to;
    },
    close: async () => {
      proxy.close();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}
