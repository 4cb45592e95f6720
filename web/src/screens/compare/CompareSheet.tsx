import { Ellipsis, Plus } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { EditBar } from "../../editing/EditBar";
import { UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import type { Kept } from "../../engine/types";
import { download, fileName } from "../../share/file";
import { toCSV } from "../../share/table";
import { mostCompared } from "../../state/picked";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { Menu, type MenuAction } from "../../ui/Menu";
import { notify } from "../../ui/Notices";
import { Empty, Loading } from "../../ui/States";
import { StatusIcon } from "../../ui/StatusIcon";
import { AddSetups } from "./AddSetups";
import { Beside } from "./Beside";
import { Cards } from "./Cards";
import { Differences, differencesTable } from "./Differences";
import { Loads } from "./Loads";
import { Overlaid } from "./Overlaid";
import { Study } from "./Study";
import { useCompared } from "./useCompared";

const Sheet = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  .back { display: none; }
  .body { overflow: auto; padding: 12px 20px 40px; display: grid; gap: 16px; align-content: start; }
  .two { display: grid; grid-template-columns: minmax(0, 1fr) 270px; gap: 24px; }
  .two > div { display: grid; gap: 14px; align-content: start; min-width: 0; }
  .caution { display: flex; gap: 8px; color: var(--quiet); font-size: 12px; line-height: 16px; }
  .body[data-stale="true"] .two { opacity: 0.6; }
  @media (max-width: 999px) { .two { grid-template-columns: minmax(0, 1fr); } .back { display: block; } }
  @media (max-width: 700px) { .body { padding: 12px 14px 40px; } }
  /* One sheet of paper; what is there to be pressed stays on the screen. */
  @media print {
    height: auto;
    .body { padding: 8px 0 0; gap: 10px; zoom: 1.05; }
    .two { grid-template-columns: minmax(0, 1fr); gap: 12px; > div { gap: 12px; } }
    .notes[data-empty="true"] { display: none; }
    header button, .back { display: none; }
  }
`;

type Props = {
  kept: Kept;
  change: (kept: Kept) => void;
  history: { canUndo: boolean; canRedo: boolean; undo: () => void; redo: () => void };
  /** Whether it is saved, beside the name. */
  status: ReactNode;
  /** What else can be done with the whole of it. */
  more: MenuAction[];
  /** What ends the bar: it is kept or saved. */
  actions: ReactNode;
};

/** A comparison: its setups, their curves over each other, what differs and what belongs together. */
export function CompareSheet({ kept, change, history, status, more, actions }: Props) {
  const units = useUnits();
  const [adding, setAdding] = useState(false);
  const shown = useCompared(kept);
  const compared = shown.data;
  const count = kept.setups.length;
  const keepFile = () =>
    download(
      fileName(kept.name, "json"),
      new Blob([`${JSON.stringify(kept, null, 2)}\n`], { type: "application/json" }),
    );
  const keepNumbers = () => {
    const c = compared?.comparison;
    if (c)
      download(
        fileName(`${kept.name}, differences`, "csv"),
        new Blob([toCSV(differencesTable(c, units))], { type: "text/csv" }),
      );
    else notify("There are no differences with fewer than two setups.");
  };
  const whole = [
    { label: "Export", run: keepFile },
    { label: "Export differences (CSV)", run: keepNumbers },
    { label: "Print", run: () => window.print() },
  ];
  return (
    <Sheet>
      <EditBar>
        <Link className="back" to="/compare?all">
          All
        </Link>
        <NameField
          key={kept.name}
          label="Name of the comparison"
          name={kept.name}
          rename={(name) => change({ ...kept, name })}
        />
        {status}
        <span className="push" />
        <Button onPress={() => setAdding(true)} isDisabled={count >= mostCompared}>
          <Plus size={14} aria-hidden /> Add setups
        </Button>
        <UndoRedo {...history} />
        <Menu label="More about the comparison" actions={[...whole, ...more]}>
          <Ellipsis size={16} aria-hidden />
        </Menu>
        {actions}
      </EditBar>
      {count === 0 ? (
        <Empty
          title="Nothing to compare yet"
          text="Pick two setups or more: saved ones, or exercises found by the muscle they load. In a setup, M adds it to the comparison as it stands."
          action="Add setups"
          onAction={() => setAdding(true)}
        />
      ) : (
        <div className="body" data-stale={shown.isPlaceholderData}>
          <Cards kept={kept} compared={compared} change={change} />
          {shown.error && <p role="alert">The calculation core did not load: {shown.error.message}</p>}
          {shown.isPending && <Loading what="Comparing" />}
          {compared && (
            <div className="two">
              <div>
                {count > 1 && <Loads kept={kept} compared={compared} change={change} />}
                <Overlaid kept={kept} compared={compared} change={change} />
                {compared.comparison ? (
                  <Differences comparison={compared.comparison} />
                ) : (
                  <p>Add another setup to compare with.</p>
                )}
                <div className="notes" data-empty={!kept.notes}>
                  <TextInput
                    label="Notes"
                    value={kept.notes ?? ""}
                    onChange={(notes) => change({ ...kept, notes: notes || undefined })}
                    long
                  />
                </div>
                <div className="caution">
                  <StatusIcon tone="caution" />
                  <p>
                    The numbers come from a model, for one lifter at a time. Gym rules and the maker's instructions come
                    first; lifters who are new, injured, pregnant or ill see a licensed professional.
                  </p>
                </div>
              </div>
              {compared.comparison && (
                <Beside comparison={compared.comparison}>
                  <Study kept={kept} change={change} />
                </Beside>
              )}
            </div>
          )}
        </div>
      )}
      {adding && <AddSetups kept={kept} change={change} close={() => setAdding(false)} />}
    </Sheet>
  );
}
