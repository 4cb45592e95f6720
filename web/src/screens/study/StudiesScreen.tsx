import { useQuery, useQueryClient } from "@tanstack/react-query";
import { NavLink, useNavigate, useParams } from "react-router";
import { changed } from "../../api/changed";
import { asked, client, settled } from "../../api/client";
import { core } from "../../engine/core";
import type { StudyDocument } from "../../engine/types";
import { Button } from "../../ui/Button";
import { ListPage } from "../../ui/ListPage";
import { notify } from "../../ui/Notices";
import { Empty, Failed, Loading } from "../../ui/States";
import { today } from "../plan/planEdits";
import { StudySheet } from "./StudySheet";

const fresh = (): StudyDocument => ({
  schema: "dialarc.study/1",
  name: "New study",
  muscle: "deltoid.middle",
  lifters: [],
  setups: [],
  seed: Math.floor(Math.random() * 10000),
  rest: 180,
  rule: "seventy",
  since: today(),
});

/** Studies of muscle activity over setups and lifters; one of them open. */
export function StudiesScreen() {
  const { id } = useParams();
  const navigate = useNavigate();
  const cache = useQueryClient();
  const list = useQuery(asked("get", "/api/studies", { params: { query: { limit: 100 } } }));
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  if (list.isPending) return <Loading what="Loading the studies" />;
  if (list.error || started.error) {
    return (
      <Failed
        what="The studies could not be loaded."
        why={list.error ? "The server does not answer." : "The calculation core did not load."}
        again={() => void (list.error ? list : started).refetch()}
      />
    );
  }
  const items = list.data.items ?? [];
  const open = items.find((s) => s.id === id);
  const add = async () => {
    try {
      const row = await settled(client.POST("/api/studies", { body: { id: crypto.randomUUID(), document: fresh() } }));
      await changed(cache, "studies");
      navigate(`/measure/studies/${row.id}`);
    } catch {
      notify("The server does not answer; nothing was changed.");
    }
  };
  return (
    <ListPage data-open={!!open} data-narrow="true">
      <aside>
        <div className="head">
          <h1>Studies</h1>
          <Button onPress={() => void add()}>Add</Button>
        </div>
        <ul>
          {items.map((s) => (
            <li key={s.id}>
              <NavLink to={`/measure/studies/${s.id}`}>
                {s.name}
                <small>
                  {s.document.lifters.length} lifters, {s.document.setups.length} setups
                </small>
              </NavLink>
            </li>
          ))}
        </ul>
      </aside>
      <section>
        {open && started.data ? (
          <StudySheet key={open.id} core={started.data} stored={open} />
        ) : open ? (
          <Loading what="Opening" />
        ) : (
          <Empty
            title={items.length === 0 ? "No studies yet" : "Pick a study"}
            text="One muscle over several setups, in several lifters, each in an order that is drawn: whether one setup really asks more of it."
            action={items.length === 0 ? "Add a study" : undefined}
            onAction={() => void add()}
          />
        )}
      </section>
    </ListPage>
  );
}
