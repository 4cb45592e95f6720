import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { CoordinateInfo, Lifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Entry, QuantityEntry } from "../../ui/Entry";
import { notify } from "../../ui/Notices";
import { dayWords, today } from "../plan/planEdits";
import { MeasureRange, type RangeRead } from "./MeasureRange";

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  max-width: 820px;
  th { text-align: left; color: var(--quiet); font-size: 12px; font-weight: 500; padding: 4px 10px 4px 0; }
  td { padding: 5px 10px 5px 0; border-top: 1px solid var(--line); vertical-align: top; }
  td:nth-child(n + 2):nth-child(-n + 5) { width: 84px; }
  input::placeholder { color: var(--quiet); font-style: italic; }
  td:first-child { padding-top: 11px; }
  @media (max-width: 600px) { td:nth-child(n + 2):nth-child(-n + 5) { width: 54px; } td, th { padding-right: 5px; } }
`;

type Props = {
  core: Core;
  body: Lifter;
  problemAt: (path: string) => string | undefined;
  change: (ranges: Lifter["ranges"]) => void;
};

type Owned = NonNullable<Lifter["ranges"]>[string];

/** What the lifter owns at every joint, and where in it something hurts. What was not measured stands there in grey. */
export function RangesPart({ core, body, problemAt, change }: Props) {
  const list = useQuery({ queryKey: ["coordinates"], queryFn: () => core.coordinates().ok ?? [] });
  const [measuring, setMeasuring] = useState(false);
  const ranges = body.ranges ?? {};
  const set = (c: CoordinateInfo, part: Partial<Owned>) => {
    const { [c.key]: now, ...rest } = ranges;
    const next = { fromDeg: c.ownFrom, toDeg: c.ownTo, ...now, ...part };
    const usual = next.fromDeg === c.ownFrom && next.toDeg === c.ownTo && !next.pain && !next.hurts?.length;
    change(usual ? rest : { ...rest, [c.key]: next });
  };
  const take = (c: CoordinateInfo, read: RangeRead, how: string) => {
    const own = ranges[c.key];
    const toDeg = read.toDeg ?? own?.toDeg ?? c.ownTo;
    set(c, {
      fromDeg: read.fromDeg ?? own?.fromDeg ?? c.ownFrom,
      toDeg,
      ...(read.painDeg !== undefined && {
        hurts: [{ fromDeg: Math.min(read.painDeg, toDeg), toDeg: Math.max(read.painDeg, toDeg) }],
        pain: own?.pain || `Hurts from ${read.painDeg}° (${how}, measured ${dayWords(today())}).`,
      }),
    });
    setMeasuring(false);
    notify(`${c.label[0]?.toUpperCase()}${c.label.slice(1)} is as measured (${how}). Save the lifter to keep that.`);
  };
  return (
    <>
      <Button onPress={() => setMeasuring(true)} isDisabled={!list.data}>
        Measure a range
      </Button>
      {measuring && <MeasureRange coordinates={list.data ?? []} close={() => setMeasuring(false)} take={take} />}
      <Table>
        <thead>
          <tr>
            <th scope="col">Joint</th>
            <th scope="col">From, °</th>
            <th scope="col">To, °</th>
            <th scope="col">Painful from, °</th>
            <th scope="col">to, °</th>
            <th scope="col">Note</th>
          </tr>
        </thead>
        <tbody>
          {(list.data ?? []).map((c) => {
            const own = ranges[c.key];
            const cell = (end: "fromDeg" | "toDeg", usual: number, label: string) => (
              <QuantityEntry
                label={`${c.label}: ${label}`}
                hideLabel
                value={own?.[end]}
                kind="angle"
                digits={1}
                placeholder={String(usual)}
                problem={problemAt(`ranges.${c.key}.${end}`)}
                set={(v) => set(c, { [end]: v ?? usual })}
                optional
              />
            );
            // One end alone hurts as far as the range goes.
            const span = own?.hurts?.[0];
            const hurt = (end: "fromDeg" | "toDeg", label: string) => (
              <QuantityEntry
                label={`${c.label}: ${label}`}
                hideLabel
                value={span?.[end]}
                kind="angle"
                digits={1}
                problem={problemAt(`ranges.${c.key}.hurts[0].${end}`)}
                set={(v) => {
                  const whole = { fromDeg: own?.fromDeg ?? c.ownFrom, toDeg: own?.toDeg ?? c.ownTo };
                  set(c, { hurts: v === undefined ? undefined : [{ ...whole, ...span, [end]: v }] });
                }}
                optional
              />
            );
            return (
              <tr key={c.key}>
                <td>{`${c.label[0]?.toUpperCase()}${c.label.slice(1)}`}</td>
                <td>{cell("fromDeg", c.ownFrom, "from")}</td>
                <td>{cell("toDeg", c.ownTo, "to")}</td>
                <td>{hurt("fromDeg", "painful from")}</td>
                <td>{hurt("toDeg", "painful to")}</td>
                <td>
                  <Entry
                    label={`${c.label}: note on the pain`}
                    hideLabel
                    plain
                    text={own?.pain ?? ""}
                    read={(t) => ({ value: t.trim() })}
                    problem={undefined}
                    set={(pain) => set(c, { pain })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </>
  );
}
