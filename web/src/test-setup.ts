import "@testing-library/jest-dom/vitest";
import { configure } from "@testing-library/react";

// a machine may give a fraction of its speed; what is not there is told later, never wrongly
configure({ asyncUtilTimeout: 20_000 });

class NoResizing {
  observe() {}
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver = NoResizing;

// jsdom knows the element and not how it is opened
HTMLDialogElement.prototype.show = function () {
  this.open = true;
};
HTMLDialogElement.prototype.showModal = HTMLDialogElement.prototype.show;
