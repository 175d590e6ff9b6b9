// The validation library must not try whether it may compile code: our pages forbid it, and the browser logs each try. Set before any shape is made.
(globalThis as { __zod_globalConfig?: { jitless?: boolean } }).__zod_globalConfig = { jitless: true };
