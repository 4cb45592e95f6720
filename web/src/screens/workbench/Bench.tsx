import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { asked } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { useSaving } from "../../editing/useSaving";
import type { DialName } from "../../engine/bridge.gen";
import type { Core } from "../../engine/core";
import type { Problem, SetupDocument, StoredSetup } from "../../engine/types";
import { firstView } from "../../figure/firstView";
import type { Turn, ViewName } from "../../figure/view";
import { download, fileName } from "../../share/file";
import { isDial } from "../../state/dials";
import { pick, pickAll } from "../../state/picked";
import { useRooms } from "../../state/rooms";
import { nextValue } from "../../state/steps";
import { useUnits } from "../../state/units";
import { notify } from "../../ui/Notices";
import { Segments } from "../../ui/Select";
import { useNarrow } from "../../ui/useNarrow";
import { usePaced } from "../../ui/usePaced";
import { useStable } from "../../ui/useStable";
import { BenchHeader } from "./BenchHeader";
import { DialIn } from "./DialIn";
import { KeyHelp } from "./KeyHelp";
import { useKeys } from "./keys";
import { Glance, Readings } from "./Readings";
import { Rig } from "./Rig";
import { Stage } from "./Stage";
import { useDocument } from "./useDocument";
import { type Model, useModel } from "./useModel";
import { usePlay } from "./usePlay";
import { useServerAway } from "./useServerAway";
import { Versions } from "./Versions";

const SetupCard = lazy(() => import("../card/SetupCard").then((m) => ({ default: m.SetupCard })));

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
  .rig, .arc { background: var(--sheet); overflow: auto; min-height: 0; contain: strict; }
  .rig { border-right: 1px solid var(--line); }
  .arc { border-left: 1px solid var(--line); padding: 10px 14px 16px; }
  .arc h2 { color: var(--quiet); font-size: 12px; margin: 4px 0 2px; }
  .arc .caution { display: flex; gap: 8px; color: var(--quiet); font-size: 12px; line-height: 16px; }
  .arc .parts { margin-top: 6px; }
  .arc > .caution { border-top: 1px solid var(--line); padding-top: 8px; }
  .middle { display: grid; grid-template-rows: auto minmax(0, 1fr) auto; min-height: 0; min-width: 0; }
  .views { display: flex; align-items: center; gap: 10px; flex-wrap: wrap; padding: 8px 14px; }
  .views .stale { display: flex; gap: 6px; align-items: center; color: var(--brick); }
  .scene { position: relative; min-height: 0; contain: strict; }
  &[data-behind] .scene, &[data-behind] .arc { opacity: 0.55; }
  .tabs { display: none; }
  @media (max-width: 999px) {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 58%) auto minmax(0, 1fr);
    .views { position: absolute; z-index: 2; padding: 6px 10px; }
    .middle { position: relative; grid-template-rows: minmax(0, 1fr) auto; }
    .middle { order: 0; }
    .tabs { display: flex; order: 1; justify-content: center; padding: 6px; border-top: 1px solid var(--line); }
    .rig, .arc { order: 2; border: 0; }
    &[data-tab="rig"] .arc:not(.glance), &[data-tab="arc"] .rig { display: none; }
  }
  @media (max-width: 700px) {
    grid-template-rows: minmax(340px, 50%) repeat(3, max-content);
    overflow: auto;
    .views { right: 0; padding: 8px; gap: 6px; flex-direction: column; align-items: end; pointer-events: none; }
    .views > * { pointer-events: auto; }
    .views > [role="group"] { flex-direction: column; background: var(--sheet); justify-self: end; }
    .views > [role="group"] button + button { border-left: 0; border-top: 1px solid var(--line); }
    .views > [data-hint] { display: none; }
    .middle { order: -1; position: sticky; top: 0; z-index: 3; background: var(--paper); border-bottom: 1px solid var(--line); }
    .rig, .arc { overflow: visible; contain: none; }
    .arc.glance { order: 0; }
    .arc { padding-bottom: 4px; }
  }
  /* Too low for all of it: a page zoomed to twice its size, or a phone on its side. */
  @media (max-width: 999px) and (max-height: 560px) {
    grid-template-rows: 340px auto auto;
    overflow: auto;
    .middle { position: relative; }
    .rig, .arc { overflow: visible; contain: none; }
  }
`;

const tabs = [
  { key: "rig", label: "Dials" },
  { key: "arc", label: "Profile" },
];

/** The main screen: the setup can be turned, seen and judged. */
export function Bench({ core, stored }: { core: Core; stored: StoredSetup }) {
  const { text, start, edits, dragged, canUndo, canRedo } = useDocument(core, stored);
  const [s, moveTo] = useState(0.5);
  const [viewName, setViewName] = useState<ViewName>(() => firstView(stored.document));
  const [viewTurn, turnView] = useState<Turn>({ yaw: 35, pitch: 12 });
  const [help, setHelp] = useState(false);
  const [tab, setTab] = useState("rig");
  const units = useUnits();
  const navigate = useNavigate();
  const saving = useSaving<SetupDocument>(stored.id, text, start.saved, start.version, (version, document) => ({
    path: "/api/setups/{id}",
    id: stored.id,
    body: { version, lifterId: stored.lifterId, document },
  }));
  const model = useModel(core, text, saving.saved, s, dragged !== null);
  const [playing, play] = usePlay(model.document.tempo, moveTo);
  const away = useServerAway();
  const save = useStable(() => void saving.save());
  const showHelp = useStable(() => setHelp(true));
  const [states, setStates] = useState(false);
  const [dialing, setDialing] = useState(false);
  const dialIn = useStable(() => setDialing(true));
  const pickIt = useStable(() =>
    notify(pick(model.document, stored.id), { label: "Compare", run: () => navigate("/compare") }),
  );
  const showStates = useStable(() => setStates(true));
  const [card, setCard] = useState(false);
  const showCard = useStable(() => (card ? window.print() : setCard(true)));
  const keepFile = useStable(() => {
    const content = `${JSON.stringify(model.document, null, 2)}\n`;
    download(fileName(model.document.name, "json"), new Blob([content], { type: "application/json" }));
  });

  const lifterName = useQuery({
    ...asked("get", "/api/lifters/{id}", { params: { path: { id: stored.lifterId } } }),
    enabled: card,
  }).data?.name;
  const rooms = useRooms().data?.items ?? [];
  const gymName = rooms.find((r) => r.id === model.document.gym)?.name ?? "";
  const nudge = (dials: DialName[], direction: number) => {
    const setting = dials.map((name) => model.settings.find((x) => isDial(x, name))).find((x) => x !== undefined);
    if (!setting) return;
    const value = nextValue(setting, units, direction);
    if (value !== null && value >= setting.from - 1e-9 && value <= setting.to + 1e-9)
      edits.turn(setting.key, value, false);
  };
  useKeys({
    along: (d) => moveTo((now) => Math.max(0, Math.min(1, now + d * 0.02))),
    nudge,
    view: setViewName,
    play,
    undo: edits.undo,
    redo: edits.redo,
    save,
    help: showHelp,
    dialIn,
    pick: pickIt,
    print: showCard,
  });
  useAskBeforeLeaving(saving.state.kind === "saving");

  const narrow = useNarrow();
  const parts = useParts(model, text, dragged === "picture");
  const glance = <Glance judged={parts.readings.judged} edits={edits} />;
  return (
    <Page>
      <BenchHeader
        lifterId={stored.lifterId}
        body={JSON.stringify(model.document.lifter)}
        takeBody={(lifter) => edits.set("lifter", lifter)}
        name={model.document.name}
        rename={(name) => edits.set("name", name)}
        state={saving.state.kind}
        refusal={saving.state.kind === "refused" ? saving.state.why : ""}
        version={saving.version}
        away={away || saving.state.kind === "waiting"}
        canUndo={canUndo}
        canRedo={canRedo}
        undo={edits.undo}
        redo={edits.redo}
        save={save}
        help={showHelp}
        dialIn={dialIn}
        pick={pickIt}
        states={showStates}
        keepFile={keepFile}
        card={showCard}
      />
      <Columns data-tab={tab} data-behind={useLate(model.behind) || undefined} aria-busy={parts.busy}>
        <section className="rig" aria-label="Rig">
          <Rig {...parts.rig} core={core} edits={edits} show={moveTo} />
        </section>
        {narrow && (
          <section className="arc glance" aria-label="At a glance">
            {glance}
          </section>
        )}
        <div className="tabs">
          <Segments label="Show" options={tabs} value={tab} onChange={setTab} />
        </div>
        <div className="middle">
          <Stage
            picture={parts.picture}
            sweeps={model.sweeps}
            {...{ s, moveTo, viewName, setViewName, viewTurn, turnView, edits, playing, play }}
          />
        </div>
        <section className="arc" aria-label="Profile">
          {!narrow && glance}
          <Readings core={core} {...parts.readings} s={s} moveTo={moveTo} edits={edits} />
        </section>
      </Columns>
      {states && (
        <Versions
          setupId={stored.id}
          version={saving.version}
          name={model.document.name}
          dirty={saving.dirty}
          goBack={edits.change}
          compare={(before, version) => {
            const was = { ...before, name: `${before.name}, version ${version}`.slice(0, 200) };
            const why = pickAll([{ document: was }, { document: model.document }]);
            if (why) notify(why);
            else navigate("/compare");
          }}
          close={() => setStates(false)}
        />
      )}
      {dialing && (
        <DialIn
          core={core}
          text={text}
          document={model.document}
          settings={model.settings}
          take={edits.change}
          score={(scoring) => edits.set("scoring", scoring)}
          close={() => setDialing(false)}
        />
      )}
      {card && model.good && model.scene && (
        <Suspense>
          <SetupCard
            document={model.good.document}
            report={model.good.report}
            scene={model.scene}
            settings={model.settings}
            lifter={lifterName ?? ""}
            gym={gymName}
            link={window.location.href}
            close={() => setCard(false)}
          />
        </Suspense>
      )}
      <KeyHelp open={help} close={() => setHelp(false)} />
      <Conflict what="setup" mine={model.document} saving={saving} replace={edits.replace} />
    </Page>
  );
}

/** How far apart the parts beside the picture are drawn while a hand moves, ms. */
const [soon, later, last] = [30, 80, 120];

/** What each part of the screen shows: while a hand moves each takes over what is new in a frame of its own. */
function useParts(model: Model, text: string, inPicture: boolean) {
  const { document, settings, sweeps, fresh, problems, good, scene, moving } = model;
  const { suggestions, steps, score, uncertainty, equal, motion } = model;
  const seen = useMemo(() => ({ good, scene, settings, problems }), [good, scene, settings, problems]);
  const profile = useMemo(() => good && { good, uncertainty }, [good, uncertainty]);
  const judged = useMemo(
    () => good && { good, uncertainty, equal, suggestions, settings, steps, score },
    [good, uncertainty, equal, suggestions, settings, steps, score],
  );
  const deeper = useMemo(() => good && { good, motion }, [good, motion]);
  const warnings = problems.length ? none : (good?.report.warnings ?? none);
  const dials = useMemo(
    () => ({ document, settings, sweeps, fresh, problems, warnings, text }),
    [document, settings, sweeps, fresh, problems, warnings, text],
  );
  const shown = {
    picture: usePaced(seen, moving),
    profile: usePaced(profile, moving, soon),
    judged: usePaced(judged, moving, later),
    deeper: usePaced(deeper, moving, last),
    dials: usePaced(dials, moving, last),
  };
  // What hangs on the setup's structure and room waits for the hand to let go.
  const rested = useRef(dials);
  if (!moving && !inPicture) rested.current = dials;
  return {
    picture: shown.picture,
    readings: { profile: shown.profile, judged: shown.judged, deeper: shown.deeper },
    rig: { ...shown.dials, rested: rested.current },
    busy:
      moving || shown.picture !== seen || shown.judged !== judged || shown.deeper !== deeper || shown.dials !== dials,
  };
}

const none: Problem[] = [];

const late = 150; // ms

/** Whether something has been so for a while. */
function useLate(so: boolean): boolean {
  const [is, set] = useState(false);
  useEffect(() => {
    if (!so) return set(false);
    const timer = setTimeout(() => set(true), late);
    return () => clearTimeout(timer);
  }, [so]);
  return so && is;
}

/**
 * Lets the browser ask before the page is left while something is on its way to the server. A layout effect: the
 * question must be gone in the moment in which the page says "saved".
 */
function useAskBeforeLeaving(busy: boolean): void {
  useLayoutEffect(() => {
    const ask = (e: BeforeUnloadEvent) => busy && e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [busy]);
}
