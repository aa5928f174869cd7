import { releaseProxy } from 'comlink';

export type OnProgress = (share: number) => void;

/**
 * Lets go of a function of the page that nothing more is said to. Else the page keeps it, and the screen it stands on, until
 * memory runs short in the worker. In a test it is a plain function, which holds nothing.
 */
export function letGo(hears: unknown): void {
  (hears as { readonly [releaseProxy]?: () => void })[releaseProxy]?.();
}

/** Lets waiting messages in, a cancel among them. A zero timeout would be held back to 4 ms. */
export function yieldToHost(): Promise<void> {
  return new Promise((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(null);
  });
}
