import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { core } from "../../engine/core";
import { useRooms } from "../../state/rooms";
import { Button } from "../../ui/Button";
import { ListPage } from "../../ui/ListPage";
import { Empty, Failed, Loading } from "../../ui/States";
import { AddRoom } from "./AddRoom";
import { RoomSheet } from "./RoomSheet";
import { inRoom } from "./words";

/** The coach's rooms; one of them open with all its kit. */
export function KitScreen() {
  const { id } = useParams();
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const list = useRooms();
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  if (list.isPending) return <Loading what="Loading the gyms" />; // the core may still be on its way
  if (list.error || started.error) {
    return (
      <Failed
        what="The gyms could not be loaded."
        why={list.error ? "The server does not answer." : "The calculation core did not load."}
        again={() => void (list.error ? list : started).refetch()}
      />
    );
  }
  const items = list.data.items ?? [];
  const open = items.find((r) => r.id === id);
  return (
    <ListPage data-open={!!open}>
      <aside>
        <div className="head">
          <h1>Equipment</h1>
          <Button onPress={() => setAdding(true)}>Add</Button>
        </div>
        <ul>
          {items.map((r) => (
            <li key={r.id}>
              <NavLink to={`/kit/${r.id}`}>
                {r.name}
                <small>{inRoom(r.document)}</small>
              </NavLink>
            </li>
          ))}
        </ul>
      </aside>
      <section>
        {open && started.isPending ? (
          <Loading what="Loading the gym" />
        ) : open && started.data ? (
          <RoomSheet key={open.id} core={started.data} stored={open} />
        ) : items.length === 0 ? (
          <Empty
            title="No gyms yet"
            text="A gym is the equipment of one place: cable columns and their holes, benches and their notches, dumbbells, bands. Setups adapt to it."
            action="Add a gym"
            onAction={() => setAdding(true)}
          />
        ) : (
          <Empty
            title={id ? "There is no such gym" : "Pick a gym"}
            text={id ? "It may have been deleted." : "Its equipment is listed on its sheet."}
          />
        )}
      </section>
      {adding && <AddRoom close={() => setAdding(false)} done={(r) => navigate(`/kit/${r.id}`)} />}
    </ListPage>
  );
}
