/** How a thread that works for long stays able to hear: a pause between two steps in which a message comes in. */

// A message to oneself, since a timer waits for some milliseconds once it was asked for a few times.
const { port1, port2 } = new MessageChannel();
port1.start();

/** Lets whatever was sent meanwhile come in. */
export const breath = (): Promise<void> =>
  new Promise((go) => {
    port1.addEventListener('message', () => go(), { once: true });
    port2.postMessage(null);
  });
