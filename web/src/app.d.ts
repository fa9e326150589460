declare global {
  namespace App {
    interface PageData {
      demo?: boolean;
    }
  }
}

export {};
