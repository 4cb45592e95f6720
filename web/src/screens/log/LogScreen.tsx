import { Link } from "react-router";
import styled from "styled-components";
import { Failed, Loading } from "../../ui/States";
import { dayWords, today, weekdays } from "../plan/planEdits";
import { Live } from "./Live";
import { useBlocks, useToday } from "./useToday";
import { WithoutPlan } from "./WithoutPlan";

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
  const list = useBlocks();
  const days = useToday();
  if (list.isPending) return <Loading what="Loading the plans" />;
  if (list.error)
    return (
      <Failed
        what="The plans could not be loaded."
        why="The server does not answer."
        again={() => void list.refetch()}
      />
    );
  const weekday = new Date(`${today()}T12:00:00Z`).getUTCDay() || 7;
  const blocks = [...new Set(days.map((d) => d.blockId))].map((id) => days.filter((d) => d.blockId === id));
  return (
    <Page>
      <section>
        <h1>Log</h1>
        <small>
          {weekdays[weekday]}, {dayWords(today())}
        </small>
      </section>
      <section>
        <h2>Which day?</h2>
        {blocks.length === 0 && (
          <p>
            No plan runs today. <Link to="/plan">Make one</Link> and its days stand here.
          </p>
        )}
        <ul>
          {blocks.map((list) => (
            <li key={list[0]?.blockId}>
              <div>
                <b>{list[0]?.lifter}</b> <small>week {list[0]?.week}</small>
              </div>
              <span>
                {list.map((d) => (
                  <Link
                    key={d.day}
                    data-today={d.today}
                    to={`/log/${d.lifterId}/${d.blockId}/${d.week}/${d.day}`}
                    aria-label={`${d.label}: log the day of ${d.lifter}`}
                  >
                    {d.label}
                  </Link>
                ))}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <WithoutPlan />
      <Live />
    </Page>
  );
}
