import type { IncomingMessage } from 'node:http';

declare global {
  namespace App {
    interface PageData {
      demo?: boolean;
    }
    interface Platform {
      readonly req: IncomingMessage;
    }
  }
}

export {};
