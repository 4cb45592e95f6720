import { type ReactNode, useState } from "react";
import styled from "styled-components";
import type { Setting } from "../../engine/types";
import { useUnits } from "../../state/units";
import { rove } from "../../ui/rove";
import { written } from "../../ui/written";

const Box = styled.div`
  --step: 56px;
  padding: 8px 0;
  [role="radiogroup"] { display: flex; flex-wrap: wrap; gap: 6px; padding-bottom: 8px; }
  [role="radio"] {
    padding: 4px 10px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
    color: var(--quiet);
    font-size: 13px;
  }
  [role="radio"] b { color: var(--ink); }
  [role="radio"][aria-checked="true"] { border: 2px solid var(--ink); padding: 3px 9px; color: var(--ink); }
`;

type Props = { settings: Setting[]; draw: (s: Setting) => ReactNode };

/** On a phone the main dials stand one at a time: each is chosen by its name, which has its value beside it. */
export function OneDial({ settings, draw }: Props) {
  const units = useUnits();
  const [chosen, choose] = useState("");
  const at = settings.find((s) => s.key === chosen) ?? settings[0];
  if (!at) return null;
  return (
    <Box>
      <div role="radiogroup" aria-label="Dial">
        {settings.map((s, i) => (
          // biome-ignore lint/a11y/useSemanticElements: it has a value beside its name
          <button
            key={s.key}
            type="button"
            role="radio"
            aria-checked={s === at}
            tabIndex={s === at ? 0 : -1}
            onClick={() => choose(s.key)}
            onKeyDown={rove(i, settings.length, (to) => choose(settings[to]?.key ?? ""))}
          >
            {s.label} <b className="mono">{written(s.value, s.kind, units)}</b>
          </button>
        ))}
      </div>
      {draw(at)}
    </Box>
  );
}
