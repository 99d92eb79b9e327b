/** Short words that come and go at the foot of the page. */
export interface Toast {
  readonly id: number;
  readonly text: string;
  readonly action?: { readonly text: string; readonly act: () => void };
}

const LASTS = 8000;

class Toasts {
  list = $state<readonly Toast[]>([]);
  #next = 1;

  /** Says something, with at most one thing to do about it. */
  say(text: string, action?: Toast['action']): void {
    const toast: Toast = action ? { id: this.#next++, text, action } : { id: this.#next++, text };
    // The same words again stand there once, and longer.
    this.list = [...this.list.filter((one) => one.text !== text).slice(-2), toast];
    setTimeout(() => this.dismiss(toast.id), LASTS);
  }

  dismiss(id: number): void {
    this.list = this.list.filter((toast) => toast.id !== id);
  }
}

export const toasts = new Toasts();
