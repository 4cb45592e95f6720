import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Empty, Failed, Loading } from "../../ui/States";
import { LifterDialog } from "./LifterDialog";
import { LifterSheet } from "./LifterSheet";

const Page = styled.div`
  height: 100%;
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr);
  > aside { border-right: 1px solid var(--line); background: var(--sheet); overflow: auto; padding: 14px; }
  > section { overflow: auto; min-width: 0; }
  .head { display: flex; align-items: center; justify-content: space-between; margin-bottom: 10px; }
  h1 { font-size: 18px; line-height: 24px; }
  ul { list-style: none; padding: 0; display: grid; gap: 2px; }
  li a {
    display: block;
    padding: 9px 10px;
    border-radius: 6px;
    text-decoration: none;
    overflow-wrap: anywhere;
  }
  li a small { display: block; color: var(--quiet); }
  li a:hover { background: var(--paper); }
  li a[aria-current="page"] { background: var(--paper); font-weight: 600; box-shadow: inset 3px 0 0 var(--ember); }
  li a small { font-weight: 400; }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
    > aside { border: 0; }
    &[data-open="true"] > aside, &[data-open="false"] > section { display: none; }
  }
`;

export const lifterKeys = { list: ["lifters"] as const, setups: (id: string) => ["setups", id] as const };

/** The coach's lifters; one of them open with their setups. */
export function LiftersScreen() {
  const { id } = useParams();
  const navigate = useNavigate();
  const units = useUnits();
  const [adding, setAdding] = useState(false);
  const list = useQuery({
    queryKey: lifterKeys.list,
    queryFn: () => settled(client.GET("/api/lifters", { params: { query: { limit: 200 } } })),
  });
  if (list.isPending) return <Loading what="Loading the lifters" />;
  if (list.error) {
    return (
      <Failed
        what="The lifters could not be loaded."
        why="The server does not answer."
        again={() => void list.refetch()}
      />
    );
  }
  const items = list.data.items ?? [];
  const open = items.find((l) => l.id === id);
  return (
    <Page data-open={!!open}>
      <aside>
        <div className="head">
          <h1>Lifters</h1>
          <Button onPress={() => setAdding(true)}>Add</Button>
        </div>
        <ul>
          {items.map((l) => (
            <li key={l.id}>
              <NavLink to={`/lifters/${l.id}`}>
                {l.name}
                <small className="mono">
                  {units.text(l.body.stature, "length")}, {units.text(l.body.mass, "mass", 0)}
                </small>
              </NavLink>
            </li>
          ))}
        </ul>
      </aside>
      <section>
        {open ? (
          <LifterSheet key={open.id} lifter={open} />
        ) : items.length === 0 ? (
          <Empty
            title="No lifters yet"
            text="A lifter is a body to model: stature and mass are enough to begin, the tape can come later."
            action="Add a lifter"
            onAction={() => setAdding(true)}
          />
        ) : (
          <Empty
            title={id ? "There is no such lifter" : "Pick a lifter"}
            text={id ? "They may have been deleted." : "Their setups are on their sheet."}
          />
        )}
      </section>
      {adding && <LifterDialog close={() => setAdding(false)} done={(l) => navigate(`/lifters/${l.id}`)} />}
    </Page>
  );
}
