/** Text that comes in line by line: from a serial port of the machine, or from a simulated one that ships with the app. */
export interface LinePort {
  readonly name: string;
  /** @param take called with each line @returns what ends it */
  listen(take: (line: string) => void): Promise<() => Promise<void>>;
  /** Sends a line, where something hears it. */
  send?(line: string): Promise<void>;
}

/** Speeds that programs on such boards usually print at, baud. */
export const SPEEDS = [9600, 57_600, 115_200] as const;

/** And that meters usually write at. */
export const METER_SPEEDS = [2400, 4800, 9600, 19_200, 115_200] as const;

export const hasSerial = (): boolean => 'serial' in navigator;

/** The part of Web Serial that is needed here; browsers without it have the simulated port. */
interface SerialLike {
  requestPort(): Promise<{
    open(options: { baudRate: number }): Promise<void>;
    close(): Promise<void>;
    readonly readable: ReadableStream<Uint8Array> | null;
    readonly writable?: WritableStream<Uint8Array> | null;
  }>;
}

export function serialPort(baudRate: number): LinePort {
  let writer: WritableStreamDefaultWriter<Uint8Array> | undefined;
  return {
    name: 'serial port',
    async send(line) {
      await writer?.write(new TextEncoder().encode(`${line}\n`));
    },
    async listen(take) {
      const { serial } = navigator as unknown as { serial: SerialLike };
      const port = await serial.requestPort();
      await port.open({ baudRate });
      const reader = port.readable?.getReader();
      writer = port.writable?.getWriter();
      const decoder = new TextDecoder();
      let rest = '';
      void (async () => {
        while (reader) {
          const { done, value } = await reader.read();
          if (done) return;
          const lines = (rest + decoder.decode(value, { stream: true })).split(/\r?\n/);
          rest = lines.pop() ?? '';
          lines.forEach(take);
        }
      })().catch(() => undefined);
      return async () => {
        await reader?.cancel();
        writer?.releaseLock();
        await port.close();
      };
    },
  };
}

/** Prints a text line by line, as a program would. @param text asked for when somebody listens */
export function simulatedPort(text: () => Promise<string>): LinePort {
  return {
    name: 'simulated port',
    async listen(take) {
      let open = true;
      const lines = (await text()).split('\n');
      void (async () => {
        for (const line of lines) {
          if (!open) return;
          take(line);
          await new Promise((go) => setTimeout(go, 30));
        }
      })();
      return () => {
        open = false;
        return Promise.resolve();
      };
    },
  };
}
