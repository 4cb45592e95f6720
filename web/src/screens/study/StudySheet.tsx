import { useQueries, useQuery } from "@tanstack/react-query";
import { Copy, FileDown, Trash2 } from "lucide-react";
import { useMemo } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { asked, client, settled } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { EditBar } from "../../editing/EditBar";
import { SaveButton, UndoRedo } from "../../editing/EditTools";
import { NameField } from "../../editing/NameField";
import { SaveStatus } from "../../editing/SaveStatus";
import { Unsound } from "../../editing/Unsound";
import { useEditing } from "../../editing/useEditing";
import { useWhole } from "../../editing/useWhole";
import type { Core } from "../../engine/core";
import type { StoredStudy, StudyDocument } from "../../engine/types";
import { download, fileName } from "../../share/file";
import { toCSV } from "../../share/table";
import { Button } from "../../ui/Button";
import { Menu } from "../../ui/Menu";
import { StudyPlan } from "./StudyPlan";
import { StudyResults } from "./StudyResults";
import { tableOf } from "./tableOf";

const Sheet = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  .body { overflow: auto; padding: 14px 24px 40px; display: grid; gap: 22px; align-content: start; grid-auto-rows: max-content; }
  .back { display: none; }
  h2 { font-size: 15px; padding-bottom: 4px; }
  .quiet, small { color: var(--quiet); font-size: 12px; line-height: 16px; }
  @media (max-width: 700px) {
    .body { padding: 12px 14px 40px;
    } .back { display: inline-flex;
    align-items: center;
    min-height: var(--target);
    };
  }
`;

/** A study: what is compared, in which order it is done, what has been measured and what it comes to. */
export function StudySheet({ core, stored }: { core: Core; stored: StoredStudy }) {
  const editing = useEditing<StudyDocument>(
    stored,
    (version, document) => ({ path: "/api/studies/{id}", id: stored.id, body: { version, document } }),
    (text) => core.activityStudy(text).problems ?? [],
  );
  const { document: study, problems, saving, save, change, undo, redo, canUndo, canRedo, replace } = editing;
  const { state } = saving;
  const path = { id: stored.id };
  const whole = useWhole({
    name: study.name,
    kind: "studies",
    home: "/measure/studies",
    copyAs: (name) =>
      settled(client.POST("/api/studies", { body: { id: crypto.randomUUID(), document: { ...study, name } } })),
    remove: () => settled(client.DELETE("/api/studies/{id}", { params: { path, query: { version: saving.version } } })),
    restore: () => settled(client.POST("/api/studies/{id}/restore", { params: { path } })),
  });
  const setups = useQuery(asked("get", "/api/setups", { params: { query: { limit: 200 } } }));
  const captures = useQueries({
    queries: study.lifters.map((l) =>
      asked("get", "/api/lifters/{id}/captures", { params: { path: { id: l.id }, query: { limit: 200 } } }),
    ),
    combine: (all) => all.flatMap((q) => (q.data ?? []).filter((c) => !c.unreadable).map((c) => c.document)),
  });
  const table = useMemo(() => core.studyTable(study, captures).ok, [core, study, captures]);
  const keep = (kind: "csv" | "json") => {
    if (!table) return;
    const text =
      kind === "csv" ? toCSV(tableOf(study, table)) : `${JSON.stringify({ study, results: table }, null, 2)}\n`;
    download(fileName(study.name, kind), new Blob([text], { type: kind === "csv" ? "text/csv" : "application/json" }));
  };
  return (
    <Sheet>
      <EditBar>
        <Link className="back" to="/measure/studies">
          Studies
        </Link>
        <NameField
          key={study.name}
          label="Name of the study"
          name={study.name}
          rename={(name) => change({ ...study, name })}
        />
        <SaveStatus state={state.kind} refusal={state.kind === "refused" ? state.why : ""} version={saving.version} />
        <span className="push" />
        <UndoRedo {...{ undo, redo, canUndo, canRedo }} />
        <Menu
          label="Export the study"
          actions={[
            { label: "Results as CSV", run: () => keep("csv") },
            { label: "Study and results as JSON", run: () => keep("json") },
          ]}
        >
          <FileDown size={16} aria-hidden />
        </Menu>
        <Button look="quiet" aria-label="Duplicate the study" onPress={() => void whole.copy()}>
          <Copy size={16} aria-hidden />
        </Button>
        <Button look="quiet" aria-label="Delete the study" onPress={() => void whole.remove()}>
          <Trash2 size={16} aria-hidden />
        </Button>
        <SaveButton state={state.kind} blocked={problems.length > 0} save={save} />
      </EditBar>
      <div className="body">
        <Unsound what="study" problems={problems} />
        <StudyPlan core={core} study={study} change={change} saved={setups.data?.items ?? []} />
        {table && <StudyResults core={core} study={study} table={table} saved={setups.data?.items ?? []} />}
      </div>
      <Conflict what="study" mine={study} saving={saving} replace={replace} />
    </Sheet>
  );
}
