/** What a chart shows, as numbers in the coach's units. */
export type Table = { columns: string[]; rows: (number | string | null)[][] };

const digits = 4; // significant, which no setting is exact to

const short = (v: number): string => String(Number(v.toPrecision(digits)));

/** A text as a table program takes no formula from it: with an apostrophe before what begins like one. */
const cell = (text: string): string => (/^'*[=+\-@\t\r]/.test(text) ? `'${text}` : text);

/** Comma-separated values (RFC 4180); a gap is an empty field. */
export function toCSV({ columns, rows }: Table): string {
  const field = (v: number | string | null) => {
    if (v === null) return "";
    const text = typeof v === "number" ? short(v) : cell(v);
    return /[",\r\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text;
  };
  return [columns, ...rows].map((row) => `${row.map(field).join(",")}\r\n`).join("");
}

/** A number as the table shows it. */
export const shown = (v: number | string | null): string =>
  v === null ? "–" : typeof v === "number" ? short(v).replace("-", "−") : v;

/** At most so many rows, the first and the last among them. */
export function thinned({ columns, rows }: Table, most: number): Table {
  if (rows.length <= most) return { columns, rows };
  const step = (rows.length - 1) / (most - 1);
  return { columns, rows: Array.from({ length: most }, (_, i) => rows[Math.round(i * step)] ?? []) };
}
