import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { client, settled } from "../../api/client";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { ListPage } from "../../ui/ListPage";
import { Empty, Failed, Loading } from "../../ui/States";
import { LifterDialog } from "./LifterDialog";
import { LifterSheet } from "./LifterSheet";

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
    <ListPage data-open={!!open}>
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
    </ListPage>
  );
}
