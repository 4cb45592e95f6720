import { memo, useState } from "react";
import styled from "styled-components";
import type { Report, Setting, Suggestion } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { StatusIcon } from "../../ui/StatusIcon";
import { names, toneWords, VerdictText, worstOf } from "./Verdicts";

const Box = styled.section`
  display: grid;
  gap: 8px;
  padding-bottom: 10px;
  ul { display: flex; flex-wrap: wrap; gap: 2px 4px; list-style: none; padding: 0; margin: 0; }
  > ul + ul { margin-left: -4px; }
  ul button {
    display: flex;
    gap: 4px;
    align-items: center;
    min-height: max(26px, var(--target));
    padding: 2px 7px 2px 4px;
    border: 1px solid transparent;
    border-radius: 6px;
    background: none;
    color: var(--quiet);
    font-size: 12px;
    cursor: pointer;
  }
  ul.open button { border-color: var(--line); background: var(--paper); color: var(--ink); font-weight: 600; }
  ul button[aria-pressed="true"] { border-color: var(--ink); }
  ul button:focus-visible { outline: 2px solid var(--slate); outline-offset: 1px; }
  ul svg { width: 15px; height: 15px; }
  .told { border-left: 3px solid var(--line); padding: 1px 0 1px 9px; font-size: 13px; line-height: 18px; }
  .told[data-tone="error"] { border-color: var(--brick); }
  .told[data-tone="warning"] { border-color: var(--ember); }
  .told[data-tone="caution"] { border-color: var(--ochre); }
  .told small { color: var(--quiet); font-size: 12px; }
  .count { display: flex; justify-content: space-between; color: var(--quiet); font-size: 12px; }
`;

type Props = {
  report: Report;
  suggestions: Suggestion[];
  settings: Setting[];
  apply: (m: Suggestion) => void;
  seen: string[];
  setSeen: (keys: string[]) => void;
};

/** How the seven verdicts stand, and one of them in words: the worst first, cautions after the verdicts that are no better. */
export const Foremost = memo(function Foremost(props: Props) {
  const { report, seen } = props;
  const verdicts = worstOf(report);
  const cautions = report.cautions.filter((c) => !seen.includes(c.key));
  const open = verdicts.filter((v) => v.tone !== "ok");
  const good = verdicts.filter((v) => v.tone === "ok");
  const errors = open.filter((v) => v.tone === "error").map((v) => v.key);
  const rest = open.filter((v) => v.tone !== "error").map((v) => v.key);
  const list = [...errors, ...cautions.map((c) => `caution ${c.key}`), ...rest];
  const [chosen, choose] = useState<string | null>(null);
  const known = (key: string | null) => key !== null && (list.includes(key) || good.some((v) => v.key === key));
  const now = known(chosen) ? (chosen as string) : (list[0] ?? null);
  const at = now === null ? -1 : list.indexOf(now);
  const next = () => choose(list[(at + 1) % list.length] ?? null);
  const button = (v: (typeof verdicts)[number]) => (
    <li key={v.key}>
      <button
        type="button"
        aria-pressed={now === v.key}
        aria-label={`${names[v.key] ?? v.key}: ${toneWords[v.tone]}`}
        onClick={() => choose(v.key)}
      >
        <StatusIcon tone={v.tone} />
        {names[v.key] ?? v.key}
      </button>
    </li>
  );
  return (
    <Box aria-label="How the verdicts stand">
      {(open.length > 0 || cautions.length > 0) && (
        <ul className="open">
          {open.map(button)}
          {cautions.length > 0 && (
            <li>
              <button
                type="button"
                aria-pressed={now?.startsWith("caution ") ?? false}
                onClick={() => choose(`caution ${cautions[0]?.key}`)}
              >
                <StatusIcon tone="caution" />
                {cautions.length} {cautions.length === 1 ? "caution" : "cautions"}
              </button>
            </li>
          )}
        </ul>
      )}
      <ul>{good.map(button)}</ul>
      {now && <Told {...props} which={now} />}
      {list.length > 1 && (
        <div className="count">
          <span>{at < 0 ? `${list.length} to look at` : `${at + 1} of ${list.length}`}</span>
          <Button look="link" onPress={next}>
            {at < 0 ? "Show them" : "Next"}
          </Button>
        </div>
      )}
      {list.length === 0 && !now && <div className="told">Nothing stands against this setup.</div>}
    </Box>
  );
});

/** A verdict or a caution in words. */
function Told(props: Props & { which: string }) {
  const units = useUnits();
  const { report, which, seen, setSeen } = props;
  const verdict = worstOf(report).find((v) => v.key === which);
  if (verdict)
    return (
      <div className="told" data-tone={verdict.tone} data-verdict={which} role="status">
        <b>{names[which] ?? which}.</b> <VerdictText {...props} verdict={verdict} />
      </div>
    );
  const caution = report.cautions.find((c) => `caution ${c.key}` === which);
  if (!caution) return null;
  return (
    <div className="told" data-tone="caution" role="status">
      <b>Caution.</b> {units.sentence(caution.text, caution.values)} {caution.way}{" "}
      <Button look="link" aria-label={`Seen: ${caution.key}`} onPress={() => setSeen([...seen, caution.key])}>
        Seen
      </Button>
    </div>
  );
}
