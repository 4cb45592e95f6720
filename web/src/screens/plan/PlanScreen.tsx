import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { core } from "../../engine/core";
import type { StoredBlock } from "../../engine/types";
import { Button } from "../../ui/Button";
import { ListPage } from "../../ui/ListPage";
import { Empty, Failed, Loading } from "../../ui/States";
import { useLifterNames } from "../begin/useSaved";
import { useBlocks } from "../log/useToday";
import { AddBlock } from "./AddBlock";
import { PlanSheet } from "./PlanSheet";
import { dayLater, dayWords, today, weekOf } from "./planEdits";

/** The blocks of all lifters; one of them open with its week. */
export function PlanScreen() {
  const { id } = useParams();
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const list = useBlocks();
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const whose = useLifterNames();
  if (list.isPending) return <Loading what="Loading the plans" />;
  if (list.error || started.error)
    return (
      <Failed
        what="The plans could not be loaded."
        why={list.error ? "The server does not answer." : "The calculation core did not load."}
        again={() => void (list.error ? list : started).refetch()}
      />
    );
  const named = (b: StoredBlock) => `${whose(b.document.lifterId ?? "")} ${b.name}`;
  const items = [...(list.data.items ?? [])].sort((a, b) => named(a).localeCompare(named(b)));
  const open = items.find((b) => b.id === id);
  return (
    <ListPage data-open={!!open} data-narrow="true">
      <aside>
        <div className="head">
          <h1>Plan</h1>
          <Button onPress={() => setAdding(true)}>Add</Button>
        </div>
        <ul>
          {items.map((b) => (
            <li key={b.id}>
              <NavLink to={`/plan/${b.id}`}>
                {whose(b.document.lifterId ?? "") || b.name}
                <small>{b.name}</small>
                <small>{when(b)}</small>
              </NavLink>
            </li>
          ))}
        </ul>
      </aside>
      <section>
        {open?.unreadable ? (
          <Failed what="This plan cannot be read." why={open.unreadable} />
        ) : open && started.data ? (
          <PlanSheet key={open.id} core={started.data} stored={open} whose={whose(open.document.lifterId ?? "")} />
        ) : open ? (
          <Loading what="Opening the plan" />
        ) : items.length === 0 ? (
          <Empty
            title="No plans yet"
            text="A plan is a block of weeks for one lifter: days, exercises, sets and loads, with what each muscle gets at which length."
            action="Add a plan"
            onAction={() => setAdding(true)}
          />
        ) : (
          <Empty
            title={id ? "There is no such plan" : "Pick a plan"}
            text={id ? "It may have been deleted." : "Its week, and what it asks of every muscle, are on its sheet."}
          />
        )}
      </section>
      {adding && <AddBlock close={() => setAdding(false)} done={(b) => navigate(`/plan/${b.id}`)} />}
    </ListPage>
  );
}

/** When a block is, and how far it is. */
function when({ document: b }: StoredBlock): string {
  const week = weekOf(b, today());
  if (week === 0) return `from ${dayWords(b.start)}, ${b.weeks} weeks`;
  return week > b.weeks ? `ended ${dayWords(dayLater(b.start, 7 * b.weeks - 1))}` : `week ${week} of ${b.weeks}`;
}
