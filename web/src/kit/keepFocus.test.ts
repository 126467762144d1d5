import { afterEach, beforeAll, expect, it } from "vitest";
import { keepFocus } from "./keepFocus";

beforeAll(keepFocus);
afterEach(() => {
  document.body.innerHTML = "";
});

const settled = () => new Promise((done) => setTimeout(done, 5));

function page(): (id: string) => HTMLElement {
  document.body.innerHTML = `<main><section id="list"><ul>
    <li id="line"><button id="off">take off</button></li>
    <li><button id="other">other</button></li>
  </ul></section></main>`;
  return (id) => document.getElementById(id) as HTMLElement;
}

it("stays in the list that a line is taken off", async () => {
  const the = page();
  the("off").focus();
  the("line").remove();
  await settled();
  expect(document.activeElement).toBe(the("list"));
});

it("comes back to what was disabled while it waited for an answer", async () => {
  const the = page();
  the("off").focus();
  the("off").setAttribute("disabled", "");
  the("off").blur();
  await settled();
  the("off").removeAttribute("disabled");
  await settled();
  expect(document.activeElement).toBe(the("off"));
});

it("lets go of what changes as it is left", async () => {
  const the = page();
  the("off").addEventListener("blur", () => the("line").setAttribute("disabled", ""));
  the("off").focus();
  the("other").focus();
  await settled();
  expect(document.activeElement).toBe(the("other"));
});

it("goes nowhere by itself once somebody has left everything", async () => {
  const the = page();
  the("off").focus();
  the("off").blur();
  await settled();
  the("line").remove();
  await settled();
  expect(document.activeElement).toBe(document.body);
});
