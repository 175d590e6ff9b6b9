// Before any shape is made: the validation library must not try whether it may make programs out of texts. Our pages forbid it, and
// a browser tells of each try in its console.
import { z } from "zod";

z.config({ jitless: true });
