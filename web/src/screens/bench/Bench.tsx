import { useQuery } from "@tanstack/react-query";
import { useEffect, useReducer, useState } from "react";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import { MotionChart } from "../../chart/MotionChart";
import { ProfileChart, valueAt } from "../../chart/ProfileChart";
import { ReadingChart } from "../../chart/ReadingChart";
import type { Core } from "../../engine/core";
import type { SetupDocument, StoredSetup } from "../../engine/types";
import { SceneView } from "../../figure/SceneView";
import type { Turn, ViewName } from "../../figure/view";
import { useUnits } from "../../state/units";
import { Segments } from "../../ui/Choice";
import { Mark } from "../../ui/Mark";
import { Failed } from "../../ui/States";
import { useStable } from "../../ui/useStable";
import { BenchHeader } from "./BenchHeader";
import { Conflict } from "./Conflict";
import { readDraft } from "./draft";
import { history } from "./history";
import { KeyHelp } from "./KeyHelp";
import { useKeys } from "./keys";
import { Rig } from "./Rig";
import { Scrubber } from "./Scrubber";
import { Summary } from "./Summary";
import { useModel } from "./useModel";
import { usePlay } from "./usePlay";
import { useSaving } from "./useSaving";
import { Verdicts } from "./Verdicts";

const Page = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto 1fr;
  min-width: 0;
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr) 352px;
  min-height: 0;
  .rig, .arc { background: var(--sheet); overflow: auto; min-height: 0; }
  .rig { border-right: 1px solid var(--line); }
  .arc { border-left: 1px solid var(--line); padding: 10px 14px 16px; }
  .arc h2 { color: var(--quiet); font-size: 12px; margin: 4px 0 2px; }
  .arc .caution { display: flex; gap: 8px; color: var(--quiet); font-size: 12px; line-height: 16px; }
  .arc > div + div { border-top: 1px solid var(--line); margin-top: 8px; padding-top: 6px; }
  .middle { display: grid; grid-template-rows: auto minmax(0, 1fr) auto; min-height: 0; min-width: 0; }
  .views { display: flex; align-items: center; gap: 10px; flex-wrap: wrap; padding: 8px 14px; }
  .views .stale { display: flex; gap: 6px; align-items: center; color: var(--brick); }
  .scene { position: relative; min-height: 0; }
  .tabs { display: none; }
  @media (max-width: 999px) {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 58%) auto minmax(0, 1fr);
    .views { position: absolute; z-index: 2; padding: 6px 10px; }
    .middle { position: relative; grid-template-rows: minmax(0, 1fr) auto; }
    .middle { order: 0; }
    .tabs { display: flex; order: 1; justify-content: center; padding: 6px; border-top: 1px solid var(--line); }
    .rig, .arc { order: 2; border: 0; }
    &[data-tab="rig"] .arc, &[data-tab="arc"] .rig { display: none; }
  }
`;

const viewNames: { key: ViewName; label: string }[] = [
  { key: "side", label: "Side" },
  { key: "front", label: "Front" },
  { key: "top", label: "Top" },
  { key: "free", label: "Free" },
];

/** The main screen: the setup can be turned, seen and judged. */
export function Bench({ core, stored }: { core: Core; stored: StoredSetup }) {
  const [start] = useState(() => {
    const saved = JSON.stringify(stored.document);
    const draft = readDraft(stored.id);
    return { saved, text: draft?.document ?? saved, version: draft?.version ?? stored.version };
  });
  const [state, dispatch] = useReducer(history, { past: [], now: start.text, future: [], dragging: false });
  const [s, moveTo] = useState(0.5);
  const [viewName, setViewName] = useState<ViewName>("front");
  const [viewTurn, turnView] = useState<Turn>({ yaw: 35, pitch: 12 });
  const [help, setHelp] = useState(false);
  const [tab, setTab] = useState("rig");
  const units = useUnits();
  const model = useModel(core, state.now, s);
  const saving = useSaving(stored, state.now, start.saved, start.version);
  const [playing, play] = usePlay(model.document.tempo, moveTo);
  const away = useServerAway();

  const change = (to: SetupDocument, drag = false) => dispatch({ type: "change", to: JSON.stringify(to), drag });
  const turn = useStable((key: string, value: number, drag: boolean) => {
    const next = core.apply(state.now, key, value);
    if (next.ok) change(next.ok, drag);
  });
  const turnDone = useStable(() => dispatch({ type: "dragDone" }));
  const nudge = (name: string, direction: number) => {
    const setting = model.settings.find((x) => x.key === name || x.key.startsWith(`${name}/`));
    if (!setting) return;
    const value = Math.round((setting.value + direction * units.step(setting)) * 1e6) / 1e6;
    if (value >= setting.from - 1e-9 && value <= setting.to + 1e-9) turn(setting.key, value, false);
  };
  useKeys({
    along: (d) => moveTo((now) => Math.max(0, Math.min(1, now + d * 0.02))),
    pulley: (d) => nudge("pulley.height", d),
    stance: (d) => nudge("stance.out", d),
    load: (d) => {
      nudge("load.stack", d);
      nudge("load.mass", d);
      nudge("band.pull", d);
    },
    view: setViewName,
    play,
    undo: () => undo(),
    redo: () => redo(),
    save: () => save(),
    help: () => showHelp(),
  });
  useEffect(() => {
    const ask = (e: BeforeUnloadEvent) => saving.state.kind === "saving" && e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [saving.state.kind]);

  const { good, scene, painting, problems } = model;
  const setLoadKind = useStable((index: number, kind: string) => {
    const next = core.loadKind(state.now, index, kind);
    if (next.ok) change(next.ok);
  });
  const addLoad = useStable((kind: string) => {
    const next = core.addLoad(state.now, kind);
    if (next.ok) change(next.ok);
  });
  const dropLoad = useStable((index: number) => {
    const next = core.dropLoad(state.now, index);
    if (next.ok) change(next.ok);
  });
  const setTarget = useStable((t: Partial<SetupDocument["target"]>) =>
    change({ ...model.document, target: { ...model.document.target, ...t } }),
  );
  const rename = useStable((name: string) => change({ ...model.document, name }));
  const undo = useStable(() => dispatch({ type: "undo" }));
  const redo = useStable(() => dispatch({ type: "redo" }));
  const save = useStable(() => void saving.save());
  const showHelp = useStable(() => setHelp(true));
  const effort = good ? (valueAt(good.report.curves.effort, s) ?? 0) : 0;
  return (
    <Page>
      <BenchHeader
        lifterId={stored.lifterId}
        name={model.document.name}
        rename={rename}
        state={saving.state.kind}
        refusal={saving.state.kind === "refused" ? saving.state.why : ""}
        version={saving.version}
        away={away || saving.state.kind === "waiting"}
        canUndo={state.past.length > 0}
        canRedo={state.future.length > 0}
        undo={undo}
        redo={redo}
        save={save}
        help={showHelp}
      />
      <Columns data-tab={tab}>
        <section className="rig" aria-label="Rig">
          <Rig
            document={model.document}
            settings={model.settings}
            painting={painting}
            problems={problems}
            warnings={problems.length ? [] : (good?.report.warnings ?? [])}
            turn={turn}
            turnDone={turnDone}
            setLoadKind={setLoadKind}
            addLoad={addLoad}
            dropLoad={dropLoad}
            setTarget={setTarget}
          />
        </section>
        <div className="tabs">
          <Segments
            label="Show"
            options={[
              { key: "rig", label: "Dials" },
              { key: "arc", label: "Profile" },
            ]}
            value={tab}
            onChange={setTab}
          />
        </div>
        <div className="middle">
          <div className="views">
            <Segments label="View" options={viewNames} value={viewName} onChange={(v) => setViewName(v as ViewName)} />
            {problems.length > 0 && (
              <span className="stale" role="status">
                <Mark tone="stop" /> {good ? "The picture is the last one that works." : "Nothing to show yet."}
              </span>
            )}
          </div>
          <div className="scene">
            {good && scene ? (
              <SceneView
                document={good.document}
                report={good.report}
                scene={scene}
                settings={model.settings}
                painting={painting}
                viewName={viewName}
                viewTurn={viewTurn}
                effort={effort}
                actions={{ turn, dragDone: turnDone, moveTo, turnView }}
              />
            ) : (
              <Failed what="This setup cannot be shown." why={problems.map((p) => p.what).join(" ")} />
            )}
          </div>
          {good && (
            <Scrubber
              report={good.report}
              s={s}
              moveTo={moveTo}
              playing={playing}
              play={play}
              tempo={model.document.tempo}
            />
          )}
        </div>
        <section className="arc" aria-label="Profile">
          {good && (
            <>
              <div>
                <h2>Profile{good.report.both ? ", each arm" : ""}</h2>
                <ProfileChart report={good.report} uncertainty={model.uncertainty} s={s} moveTo={moveTo} />
                <Summary report={good.report} uncertainty={model.uncertainty} />
              </div>
              <div>
                <Verdicts
                  report={good.report}
                  mend={painting?.mend ?? null}
                  settings={model.settings}
                  apply={(m) => turn(m.key, m.to, false)}
                />
              </div>
              <div>
                <h2>Pull and torque</h2>
                <ReadingChart report={good.report} s={s} />
              </div>
              <div>
                <h2>In motion</h2>
                <MotionChart core={core} text={good.text} />
              </div>
              <div className="caution">
                <Mark tone="caution" />
                <p>
                  House rules and the maker's instructions come first. Lifters who are new, injured, pregnant or ill see
                  a licensed professional. Sharp or joint pain: stop.
                </p>
              </div>
            </>
          )}
        </section>
      </Columns>
      <KeyHelp open={help} close={() => setHelp(false)} />
      {saving.state.kind === "conflict" && (
        <Conflict
          mine={model.document}
          theirs={saving.state.theirs}
          keepMine={() => saving.state.kind === "conflict" && void saving.keepMine(saving.state.theirs.version)}
          takeTheirs={() => {
            if (saving.state.kind !== "conflict") return;
            saving.takeTheirs(saving.state.theirs);
            dispatch({ type: "replace", with: JSON.stringify(saving.state.theirs.document) });
          }}
          later={saving.later}
        />
      )}
    </Page>
  );
}

/** Whether the server has stopped answering, asked every few seconds. */
function useServerAway(): boolean {
  const health = useQuery({
    queryKey: ["health"],
    queryFn: () => settled(client.GET("/api/health")),
    refetchInterval: 5000,
    retry: false,
  });
  return health.isError;
}
