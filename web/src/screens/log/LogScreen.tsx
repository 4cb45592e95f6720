import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import type { BlockDay } from "../../engine/types";
import { Failed, Loading } from "../../ui/States";
import { useLifterNames } from "../begin/useSaved";
import { dayWords, today, weekdays, weekOf } from "../plan/planEdits";
import { Live } from "./Live";

const Page = styled.div`
  height: 100%;
  overflow: auto;
  padding: 16px 20px 32px;
  display: grid;
  gap: 20px;
  align-content: start;
  h1 { font-size: 18px; line-height: 24px; }
  h2 { font-size: 14px; padding-bottom: 4px; border-bottom: 1px solid var(--line); }
  ul { list-style: none; padding: 0; margin: 0; display: grid; }
  li {
    display: grid;
    grid-template-columns: minmax(120px, 220px) minmax(0, 1fr);
    gap: 8px;
    align-items: baseline;
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
  }
  li span { display: flex; flex-wrap: wrap; gap: 6px; }
  li a {
    display: grid;
    align-content: center;
    padding: 4px 12px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--sheet);
    text-decoration: none;
    min-height: max(30px, var(--target));
  }
  li a[data-today="true"] { border: 2px solid var(--ink); font-weight: 600; }
  small { color: var(--quiet); }
  @media (max-width: 700px) { li { grid-template-columns: minmax(0, 1fr); } }
`;

/** Who trains today, which day to log, and what is being logged now. */
export function LogScreen() {
  const list = useQuery({
    queryKey: ["blocks"],
    queryFn: () => settled(client.GET("/api/blocks", { params: { query: { limit: 200 } } })),
  });
  const whose = useLifterNames();
  if (list.isPending) return <Loading what="Loading the plans" />;
  if (list.error)
    return (
      <Failed
        what="The plans could not be loaded."
        why="The server does not answer."
        again={() => void list.refetch()}
      />
    );
  const date = today();
  const weekday = new Date(`${date}T12:00:00Z`).getUTCDay() || 7;
  const running = (list.data.items ?? []).flatMap((b) => {
    const week = weekOf(b.document, date);
    return week >= 1 && week <= b.document.weeks && b.document.lifterId
      ? [{ b, week, name: whose(b.document.lifterId) }]
      : [];
  });
  running.sort((x, y) => x.name.localeCompare(y.name));
  return (
    <Page>
      <section>
        <h1>Log</h1>
        <small>
          {weekdays[weekday]}, {dayWords(date)}
        </small>
      </section>
      <section>
        <h2>Which day?</h2>
        {running.length === 0 && (
          <p>
            No plan runs today. <Link to="/plan">Make one</Link> and its days stand here.
          </p>
        )}
        <ul>
          {running.map(({ b, week, name }) => (
            <li key={b.id}>
              <div>
                <b>{name}</b> <small>week {week}</small>
              </div>
              <span>
                {b.document.days.map((d, i) => (
                  <Link
                    key={i}
                    data-today={d.weekday === weekday}
                    to={`/log/${b.document.lifterId}/${b.id}/${week}/${i}`}
                    aria-label={`${dayLabel(d)}: log the day of ${name}`}
                  >
                    {dayLabel(d)}
                  </Link>
                ))}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <Live />
    </Page>
  );
}

/** A day by its name and weekday. */
const dayLabel = (d: BlockDay): string => `${d.name}${d.weekday ? `, ${weekdays[d.weekday]?.slice(0, 3)}` : ""}`;
