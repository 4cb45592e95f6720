import { Ellipsis } from "lucide-react";
import { type ReactNode, useRef, useState } from "react";
import styled from "styled-components";
import { download, fileName } from "../share/file";
import { keepDrawing } from "../share/picture";
import { shown, type Table, thinned, toCSV } from "../share/table";
import { Menu } from "../ui/Menu";
import { notify } from "../ui/Notices";

const Box = styled.div`
  > header { display: flex; align-items: center; justify-content: space-between; gap: 8px; min-height: 28px; }
  > header button { min-height: max(26px, var(--target)); padding: 2px 6px; color: var(--quiet); }
  .table { max-height: 260px; overflow: auto; border: 1px solid var(--line); margin: 4px 0; }
  table { border-collapse: collapse; width: 100%; font-size: 12px; }
  th { position: sticky; top: 0; background: var(--sheet); text-align: right; font-weight: 600; color: var(--quiet); }
  th, td { padding: 2px 6px; text-align: right; border-bottom: 1px solid var(--line); }
  tr:last-child td { border: 0; }
`;

type Props = {
  title: ReactNode;
  /** Of the files that are made of it. */
  name: string;
  /** What the lines mean, for a file that stands by itself. */
  caption: string[];
  /** Made when it is wanted. */
  table: () => Table;
  children: ReactNode;
};

const mostRows = 25;

/** A chart with its title; it can be read as a table, copied and kept as a file. */
export function ChartFrame({ title, name, caption, table, children }: Props) {
  const [asTable, setAsTable] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const keepChart = (kind: "svg" | "png") => {
    const svg = box.current?.querySelector<SVGSVGElement>('svg[role="img"]');
    if (svg) void keepDrawing(svg, name, kind, caption);
    else notify("Show the chart first; the table is not a picture.");
  };
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(toCSV(table()));
      notify("Copied.");
    } catch {
      notify("The browser does not let the page copy. Export the values instead.");
    }
  };
  const keepValues = () => download(fileName(name, "csv"), new Blob([toCSV(table())], { type: "text/csv" }));
  const actions = [
    { label: asTable ? "Show the chart" : "Show as a table", run: () => setAsTable(!asTable) },
    { label: "Copy values", run: () => void copy() },
    { label: "Export values as CSV", run: keepValues },
    { label: "Export as SVG", run: () => keepChart("svg") },
    { label: "Export as PNG", run: () => keepChart("png") },
  ];
  return (
    <Box ref={box}>
      <header>
        <h2>{title}</h2>
        <Menu label={`${name}: table and files`} actions={actions}>
          <Ellipsis size={15} aria-hidden />
        </Menu>
      </header>
      {asTable ? <AsTable table={thinned(table(), mostRows)} name={name} /> : children}
    </Box>
  );
}

function AsTable({ table, name }: { table: Table; name: string }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keyboard
    <section className="table" aria-label={`${name}: values`} tabIndex={0}>
      <table className="mono">
        <thead>
          <tr>
            {table.columns.map((c) => (
              <th key={c} scope="col">
                {c}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row, i) => (
            <tr key={i}>
              {row.map((v, k) => (
                <td key={table.columns[k]}>{shown(v)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
