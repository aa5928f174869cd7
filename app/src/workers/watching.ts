export type OnProgress = (share: number) => void;

/** Lets waiting messages in, a cancel among them. A zero timeout would be held back to 4 ms. */
export function breathe(): Promise<void> {
  return new Promise((resolve) => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(null);
  });
}
