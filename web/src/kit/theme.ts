const KEY = "theme";

export type Theme = "system" | "daylight" | "lamplight";

export function theme(): Theme {
  const kept = localStorage.getItem(KEY);
  return kept === "daylight" || kept === "lamplight" ? kept : "system";
}

export function setTheme(chosen: Theme): void {
  localStorage.setItem(KEY, chosen);
  startTheme();
}

/** Paper is paper, also by lamplight. */
export function printByDaylight(): void {
  window.addEventListener("beforeprint", () => (document.documentElement.dataset.theme = "daylight"));
  window.addEventListener("afterprint", startTheme);
}

/** Puts the kept theme on the page; as the system has it where none is kept. */
export function startTheme(): void {
  const chosen = theme();
  if (chosen === "system") {
    delete document.documentElement.dataset.theme;
  } else {
    document.documentElement.dataset.theme = chosen;
  }
}
