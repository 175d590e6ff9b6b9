// Before any shape is made: the validation library must not try whether it may make programs out of texts. Our pages forbid it, and a browser
// tells of each try in its console. Said where the library keeps its settings, since most pages need none of it.
(globalThis as { __zod_globalConfig?: { jitless?: boolean } }).__zod_globalConfig = { jitless: true };
