// A page as it is printed: its sheets, and the words on each.
import type { Page } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

/** The text of each sheet of paper, in the order of the sheets; spaces and line ends are all one space. */
export async function printed(page: Page): Promise<string[]> {
  const data = new Uint8Array(await page.pdf({ format: "A4" }));
  const pdf = await getDocument({ data, useSystemFonts: true, verbosity: 0 }).promise;
  const sheets: string[] = [];
  for (let number = 1; number <= pdf.numPages; number++) {
    const { items } = await (await pdf.getPage(number)).getTextContent();
    sheets.push(
      items
        .map((item) => ("str" in item ? `${item.str}${item.hasEOL ? " " : ""}` : ""))
        .join("")
        .replace(/\s+/g, " "),
    );
  }
  await pdf.destroy();
  return sheets;
}
