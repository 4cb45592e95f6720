// Reads a PDF from the file that is named, and writes how many pages it has and their text, as JSON.
import { readFileSync } from "node:fs";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

const file = await getDocument({ data: new Uint8Array(readFileSync(process.argv[2])), verbosity: 0 }).promise;
const text = [];
for (let i = 1; i <= file.numPages; i++) {
  const { items } = await (await file.getPage(i)).getTextContent();
  text.push(items.map((item) => item.str).join(" "));
}
console.log(JSON.stringify({ pages: file.numPages, text: text.join("\n").replace(/\s+/g, " ") }));
