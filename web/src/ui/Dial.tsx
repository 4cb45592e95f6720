import { Lock, LockOpen, Minus, Plus } from "lucide-react";
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { Button, Slider, SliderThumb, SliderTrack, ToggleButton } from "react-aria-components";
import styled from "styled-components";
import { type Sweeps, useSweep } from "../engine/sweeps";
import type { Problem, Setting, Sweep } from "../engine/types";
import { formatSettingValue } from "../state/formatSetting";
import { nearestStop, nextValue, placeOn } from "../state/steps";
import { useUnits } from "../state/units";
import { NumberEntry } from "./NumberEntry";
import { StatusIcon } from "./StatusIcon";

const Box = styled.div`
  padding: 2px 0 4px;
  .head { display: flex; align-items: center; gap: 6px; min-height: 24px; }
  .head > .label { flex: 1; min-width: 0; line-height: 16px; overflow-wrap: break-word; }
  .side { color: var(--quiet); font-size: 12px; white-space: nowrap; }
  .problem { display: flex; gap: 6px; margin-top: 4px; color: var(--brick); font-size: 12px; line-height: 16px; }
  .warning { color: var(--ochre); }
  .problem span { color: var(--ink); }
`;

const Step = styled(Button)`
  width: var(--step, 24px);
  height: var(--step, 24px);
  display: grid;
  place-items: center;
  padding: 0;
  border: 1px solid var(--line);
  background: var(--paper);
  color: var(--quiet);
  cursor: pointer;
  &:first-of-type { border-radius: 5px 0 0 5px; }
  &:last-of-type { border-radius: 0 5px 5px 0; border-left: 0; }
  &[data-focus-visible] { outline: 2px solid var(--slate); outline-offset: 1px; z-index: 1; }
`;

const Keep = styled(ToggleButton)`
  flex: none;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  margin: 0 -5px;
  padding: 0;
  border: 0;
  border-radius: 5px;
  background: none;
  color: var(--quiet);
  cursor: pointer;
  opacity: 0.5;
  &[data-selected] { color: var(--ink); opacity: 1; }
  &[data-hovered] { background: var(--paper); opacity: 1; }
  &[data-focus-visible] { outline: 2px solid var(--slate); opacity: 1; }
`;

const Track = styled(SliderTrack)`
  position: relative;
  height: 18px;
  margin-top: 3px;
  .paint {
    position: absolute;
    inset: 4px 0;
    border-radius: 3px;
    overflow: hidden;
    background: var(--line);
  }
  .paint i { position: absolute; top: 0; bottom: 0; }
  .paint i[data-closed] {
    background: repeating-linear-gradient(135deg, var(--sheet) 0 3px, var(--quiet) 3px 4px);
  }
  .best {
    position: absolute;
    top: -4px;
    margin-left: -5px;
    border: 5px solid transparent;
    border-top: 6px solid var(--ember-deep);
    border-bottom: 0;
  }
  @media (pointer: coarse) { height: 30px; .paint { inset: 8px 0; } .best { top: 0; } }
`;

const Thumb = styled(SliderThumb)`
  top: 50%;
  width: 11px;
  height: 20px;
  border: 2px solid var(--ink);
  border-radius: 4px;
  background: var(--sheet);
  cursor: grab;
  &[data-dragging] { cursor: grabbing; }
  &[data-focus-visible] { outline: 2px solid var(--slate); outline-offset: 2px; }
  @media (pointer: coarse) { width: 18px; height: 30px; }
`;

type Props = {
  setting: Setting;
  sweeps: Sweeps;
  problems: Problem[];
  warnings: Problem[];
  onTurn: (key: string, value: number, drag: boolean) => void;
  onDone: () => void;
  /** Locks the setting against searches, or frees it. */
  onLock?: (key: string, locked: boolean) => void;
};

/** A setting with its value, its step buttons and a track painted with how well every other value would fit. */
export const Dial = memo(function Dial({ setting: told, sweeps, problems, warnings, onTurn, onDone, onLock }: Props) {
  const units = useUnits();
  const [setting, hold, letGo] = useHeld(told);
  const sweep = useSweep(sweeps, setting.key);
  const [nonsense, setNonsense] = useState<string | null>(null);
  const unit = units.unit(setting.kind);
  const digits = setting.kind === "mass" ? unit.digits : 1;
  const hole = setting.kind === "hole";
  const stops = setting.stops?.length ? setting.stops : null;
  const aside = hole && setting.at != null ? units.text(setting.at, "length") : unit.name;
  const counted = setting.stop && stops ? `${setting.stop} ${nearestStop(stops, setting.value) + 1}` : null;
  // React Aria reads out the bare number; a hole is better told with its height.
  const thumb = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => thumb.current?.setAttribute("aria-valuetext", formatSettingValue(setting, units)));
  const best = (sweep && sweep.best >= 0 ? sweep.values[sweep.best] : null) ?? undefined;
  const bestWords =
    best === undefined ? "" : `Best alone: ${formatSettingValue({ ...setting, value: best, at: undefined }, units)}`;
  useLayoutEffect(() => {
    if (bestWords) thumb.current?.setAttribute("aria-description", bestWords);
    else thumb.current?.removeAttribute("aria-description");
  }, [bestWords]);
  const nudge = (direction: number) => {
    const next = nextValue(setting, units, direction);
    if (next !== null) onTurn(setting.key, next, false);
  };
  return (
    <Box data-dial={setting.key}>
      <div className="head">
        <span className="label">{setting.label}</span>
        {onLock && setting.paint === "match" && (
          <Keep
            aria-label={`${setting.label}: lock`}
            isSelected={setting.lock}
            onChange={(on) => onLock(setting.key, on)}
          >
            {setting.lock ? <Lock size={12} aria-hidden /> : <LockOpen size={12} aria-hidden />}
          </Keep>
        )}
        {hole && <span className="side">hole</span>}
        {counted && <span className="side">{counted}</span>}
        <NumberEntry
          label={`${setting.label}${aside ? `, ${hole ? "hole" : aside}` : ""}`}
          kind={setting.kind}
          value={setting.value}
          factor={unit.factor}
          digits={digits}
          invalid={problems.length > 0 || nonsense !== null}
          onEnter={(v) => onTurn(setting.key, v, false)}
          onStep={nudge}
          onWrong={setNonsense}
        />
        <span className="side mono">{aside}</span>
        <span style={{ display: "inline-flex" }}>
          <Step aria-label={`${setting.label}: one step less`} onPress={() => nudge(-1)}>
            <Minus size={13} aria-hidden />
          </Step>
          <Step aria-label={`${setting.label}: one step more`} onPress={() => nudge(1)}>
            <Plus size={13} aria-hidden />
          </Step>
        </span>
      </div>
      <Slider
        aria-label={setting.label}
        minValue={stops ? 0 : setting.from}
        maxValue={stops ? stops.length - 1 : setting.to}
        step={stops ? 1 : setting.step}
        value={stops ? nearestStop(stops, setting.value) : Math.max(setting.from, Math.min(setting.to, setting.value))}
        onChange={(v) => {
          const value = stops ? (stops[v as number] as number) : (v as number);
          hold(value);
          onTurn(setting.key, value, true);
        }}
        onChangeEnd={() => {
          letGo();
          onDone();
        }}
      >
        <Track>
          <Paint setting={setting} sweep={sweep} />
          <Thumb inputRef={thumb} />
        </Track>
      </Slider>
      {nonsense !== null && (
        <div className="problem" role="alert">
          <StatusIcon tone="error" />
          <span>{nonsense} Escape takes it back.</span>
        </div>
      )}
      {problems.map((p) => (
        <div className="problem" key={p.path + p.what} role="alert">
          <StatusIcon tone="error" />
          <span>
            {p.what} {p.hint}
          </span>
        </div>
      ))}
      {warnings.map((p) => (
        <div className="problem warning" key={p.path + p.what}>
          <StatusIcon tone="caution" />
          <span>
            {p.what} {p.why}
          </span>
        </div>
      ))}
    </Box>
  );
}, propsEqual);

/** A setting with the value that the thumb is held at: what the core tells of it comes a frame or two later. */
function useHeld(told: Setting): [Setting, (value: number) => void, () => void] {
  const [held, setHeld] = useState<number | null>(null);
  const holding = useRef(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was told anew takes over once the thumb is let go
  useEffect(() => {
    if (!holding.current) setHeld(null);
  }, [told]);
  const setting = useMemo(() => (held === null ? told : { ...told, value: held }), [held, told]);
  const hold = (value: number) => {
    holding.current = true;
    setHeld(value);
  };
  const letGo = () => {
    holding.current = false;
    if (held === told.value) setHeld(null);
  };
  return [setting, hold, letGo];
}

/** Whether a dial would look the same: settings come anew with every document, mostly unchanged. */
function propsEqual(a: Props, b: Props): boolean {
  const text = (p: Props) => JSON.stringify([p.setting, p.problems, p.warnings]);
  return a.sweeps === b.sweeps && a.onTurn === b.onTurn && a.onDone === b.onDone && text(a) === text(b);
}

function Paint({ setting, sweep }: { setting: Setting; sweep?: Sweep }) {
  const cells = useMemo(() => (sweep ? paintCells(sweep, setting) : []), [sweep, setting]);
  const best = sweep && sweep.best >= 0 && matters(sweep) ? sweep.values[sweep.best] : null;
  return (
    <>
      <span className="paint" aria-hidden>
        {cells.map((c) => (
          <i
            key={c.left}
            data-closed={c.closed || undefined}
            style={{ left: `${c.left}%`, width: `${c.width + 0.2}%`, background: c.colour }}
          />
        ))}
      </span>
      {best != null && <span className="best" aria-hidden style={{ left: `${100 * placeOn(setting, best)}%` }} />}
    </>
  );
}

/** Whether any value of a dial scores otherwise than another by a point. */
function matters(sweep: Sweep): boolean {
  const open = openOf(sweep);
  return Math.max(...open) - Math.min(...open) >= 1;
}

const openOf = (sweep: Sweep) => sweep.scores.filter((s, i): s is number => s != null && !sweep.why[i]);

const neutral = "color-mix(in oklab, var(--slate) 18%, var(--line))";

type Cell = { left: number; width: number; colour?: string; closed: boolean };

/**
 * The cells of a track: poor is the hairline colour, good is slate; the span of scores is stretched to at least 12
 * points, so that a dial that hardly matters looks even; where nothing changes it is neutral.
 */
function paintCells(sweep: Sweep, setting: Setting): Cell[] {
  const { paint } = setting;
  const places = sweep.values.map((v) => 100 * placeOn(setting, v as number));
  const between = (i: number) => ((places[i - 1] as number) + (places[i] as number)) / 2;
  const n = sweep.values.length;
  const open = openOf(sweep);
  const flat = paint !== "effort" && !matters(sweep);
  const high = paint === "effort" ? 1 : Math.max(...open);
  const low = paint === "effort" ? 0 : Math.min(...open, high - 12);
  return sweep.values.map((_, i) => {
    const left = i === 0 ? 0 : between(i);
    const right = i === n - 1 ? 100 : between(i + 1);
    const score = sweep.scores[i];
    const cell = { left, width: right - left };
    if (score == null || sweep.why[i]) return { ...cell, closed: true };
    if (flat) return { ...cell, closed: false, colour: neutral };
    const share = Math.max(0, Math.min(1, (score - low) / (high - low)));
    const hue = paint === "effort" ? "var(--ember)" : "var(--slate)";
    return { ...cell, closed: false, colour: `color-mix(in oklab, ${hue} ${Math.round(share * 100)}%, var(--line))` };
  });
}
