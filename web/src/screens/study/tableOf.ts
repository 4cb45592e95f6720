import type { StudyDocument, StudyTable } from "../../engine/types";
import type { Table } from "../../share/table";

/** Every measured value of a study as a table: a lifter and a setup a row. */
export function tableOf(study: StudyDocument, table: StudyTable): Table {
  return {
    columns: ["lifter", "setup", "order", "mean percent", "peak percent", "repetitions", "day"],
    rows: study.lifters.flatMap((l, i) =>
      study.setups.map((name, k) => {
        const cell = table.cells[i]?.[k];
        const order = (table.orders[i]?.indexOf(k) ?? -1) + 1;
        return [
          l.name,
          name,
          order,
          cell?.mean.value ?? null,
          cell?.peak.value ?? null,
          cell?.reps ?? 0,
          cell?.day ?? "",
        ];
      }),
    ),
  };
}
