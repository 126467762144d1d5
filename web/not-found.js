import { cpSync, mkdirSync } from "node:fs";

// The server gives error/404.html at every address that it does not know; there the application says so itself.
mkdirSync("dist/error", { recursive: true });
cpSync("dist/index.html", "dist/error/404.html");
