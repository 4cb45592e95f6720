import styled from "styled-components";
import type { Agreement, Worked } from "../../../engine/types";
import { Button } from "../../../ui/Button";

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  th { text-align: right; color: var(--quiet); font-size: 12px; font-weight: 400; padding: 2px 0 2px 10px; }
  td { text-align: right; padding: 4px 0 4px 10px; border-top: 1px solid var(--line); }
  th:first-child, td:first-child { text-align: left; padding-left: 0; }
`;

type Props = {
  worked: Worked;
  agreements: Record<number, Agreement>;
  name: (label: string) => string;
  pick: (place: number) => void;
};

/** Every channel that is used, in a line. */
export function AllChannels({ worked, agreements, name, pick }: Props) {
  const used = worked.channels.filter((c) => c.state !== "out");
  if (used.length < 2 || worked.reps.length === 0) return null;
  const shown = (x: number | null | undefined, unit: string) => (x == null ? "–" : `${Math.round(x)}${unit}`);
  return (
    <section>
      <h2>All channels, mean while lifting</h2>
      <Table>
        <thead>
          <tr>
            <th scope="col">muscle</th>
            <th scope="col">measured</th>
            <th scope="col">model</th>
            <th scope="col">correlation</th>
          </tr>
        </thead>
        <tbody>
          {used.map((c) => {
            const a = agreements[c.place];
            return (
              <tr key={c.place}>
                <td>
                  <Button look="link" onPress={() => pick(c.place)}>
                    {name(c.label)}
                  </Button>
                </td>
                <td className="mono">{shown(c.mean.value, c.strongest.value == null ? " µV" : "%")}</td>
                <td className="mono">{shown(a?.model.value, "%")}</td>
                <td className="mono">{a?.correlation.value == null ? "–" : a.correlation.value.toFixed(2)}</td>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </section>
  );
}
