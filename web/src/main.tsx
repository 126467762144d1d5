import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ProblemError } from "./api/client";
import { App } from "./App";
import "./app.css";
import { keepFocus } from "./kit/keepFocus";
import { Notices } from "./kit/Notices";
import { printByDaylight, startTheme } from "./kit/theme";

const MOST_TRIES = 2;

const queries = new QueryClient({
  defaultOptions: {
    // Asked at once or not at all: without a network a change is refused now, and not made when nobody expects it.
    mutations: { networkMode: "always" },
    queries: {
      networkMode: "always",
      refetchOnReconnect: true,
      staleTime: 5_000,
      // What was refused stays refused; only an unreachable server is asked again.
      retry: (tries, error) =>
        error instanceof ProblemError && error.problem.status === 0 && tries < MOST_TRIES,
    },
  },
});

// a page that the browser kept aside may be of somebody who has signed out since
window.addEventListener("pageshow", (event) => {
  if (event.persisted) window.location.reload();
});

startTheme();
printByDaylight();
keepFocus();
const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Notices>
            <App />
          </Notices>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
