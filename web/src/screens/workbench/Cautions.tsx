import styled from "styled-components";
import type { Report } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { StatusIcon } from "../../ui/StatusIcon";

const List = styled.ul`
  list-style: none;
  padding: 0;
  margin: 0;
  li { display: grid; grid-template-columns: 20px 1fr auto; gap: 6px; padding: 4px 0; align-items: start; }
  li[data-dismissed="true"] { color: var(--quiet); }
`;

type Props = { report: Report; dismissed: string[]; setDismissed: (keys: string[]) => void };

/** Cautions of the trade that apply here. They block nothing; a dismissed one stays marked. */
export function Cautions({ report, dismissed, setDismissed }: Props) {
  const units = useUnits();
  if (report.cautions.length === 0) return null;
  return (
    <List aria-label="Cautions">
      {report.cautions.map((c) => {
        const off = dismissed.includes(c.key);
        return (
          <li key={c.key} data-caution={c.key} data-dismissed={off} tabIndex={-1}>
            <StatusIcon tone="caution" />
            <span>
              {off ? `Seen: ${units.sentence(c.text, c.values)}` : `${units.sentence(c.text, c.values)} ${c.way}`}
            </span>
            <Button
              look="link"
              aria-label={off ? `Show again: ${c.key}` : `Seen: ${c.key}`}
              onPress={() => setDismissed(off ? dismissed.filter((k) => k !== c.key) : [...dismissed, c.key])}
            >
              {off ? "show" : "seen"}
            </Button>
          </li>
        );
      })}
    </List>
  );
}
