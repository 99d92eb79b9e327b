import type { Attachment } from 'svelte/attachments';

/** Opens a dialog over the page for as long as it is there, and gives the focus back when it goes. */
export const modal: Attachment<HTMLDialogElement> = (dialog) => {
  const before = document.activeElement;
  dialog.showModal();
  return () => {
    dialog.close();
    // It is out of the page by then, and the browser no longer does it.
    if (before instanceof HTMLElement && document.activeElement === document.body) before.focus();
  };
};
