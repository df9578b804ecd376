const { port1, port2 } = new MessageChannel();

/** Lets what waits be heard. By a message to oneself: a timer would be held back for some milliseconds each time. */
export const pause = (): Promise<void> =>
  new Promise((resolve) => {
    port1.onmessage = () => resolve();
    port2.postMessage(null);
  });
