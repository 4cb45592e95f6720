import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { changed } from "../../../api/changed";
import type { Core } from "../../../engine/core";
import type { StoredLifter, StoredSetup } from "../../../engine/types";
import { keepCapture, readSamples, type StoredCapture } from "../../../measuring/captures";
import { download, fileName } from "../../../share/file";
import { kept } from "../../../state/kept";
import { Button } from "../../../ui/Button";
import { notify } from "../../../ui/Notices";
import { Select } from "../../../ui/Select";
import { ThreeParts } from "../ThreeParts";
import { Agreed } from "./Agreed";
import { AllChannels } from "./AllChannels";
import { ChannelList } from "./ChannelList";
import { CourseChart } from "./CourseChart";
import { captureOf } from "./captureOf";
import { KeptRecordings } from "./KeptRecordings";
import { Recordings } from "./Recordings";
import { SettingsPart } from "./SettingsPart";
import { SignalView } from "./SignalView";
import { useActivity } from "./useActivity";
import { useAgreements } from "./useAgreements";

/** Which muscle a channel is of, by lifter and the channel's label; this browser remembers it. */
const muscles = kept("dialarc.channels", (stored): Record<string, string> => ({ ...(stored as object | null) }));

type Props = { core: Core; lifter: StoredLifter; setups: StoredSetup[] };

/** Recordings on the left with their channels, one channel over the range in the middle, what it says on the right. */
export function ActivityBench({ core, lifter, setups }: Props) {
  const activity = useActivity();
  const cache = useQueryClient();
  const [keeping, setKeeping] = useState("");
  const { worked, reps, busy, problems } = activity;
  const asked = useSearchParams()[0].get("setup");
  const [setupId, setSetupId] = useState(setups.find((s) => s.id === asked)?.id ?? setups[0]?.id ?? "");
  const [picked, setPicked] = useState<number | null>(null);
  const [phase, setPhase] = useState<"lifting" | "lowering">("lifting");
  const setup = setups.find((s) => s.id === setupId);
  const text = useMemo(
    () => (setup ? JSON.stringify({ ...setup.document, lifter: lifter.body }) : ""),
    [setup, lifter.body],
  );
  const regions = useMemo(() => (text ? (core.evaluate(text).ok?.muscles.regions ?? []) : []), [core, text]);
  const chosen = muscles.use();
  const keyOf = (label: string) => `${lifter.id} ${label}`;
  const regionOf = (label: string) => chosen[keyOf(label)] ?? "";
  const agreements = useAgreements(activity.core, text, worked, regionOf, phase);
  const channel = worked?.channels.find((c) => c.place === picked) ?? worked?.channels[0];
  const keepFile = async () => {
    if (!reps) return;
    const { ok, problems: why } = await activity.core.call("writeEDF", reps.slot);
    if (ok) download(fileName(`${lifter.name} activity`, "edf"), new Blob([ok as Uint8Array<ArrayBuffer>]));
    else notify(why?.[0]?.what ?? "It cannot be written.");
  };
  const keep = async () => {
    if (!worked) return;
    setKeeping("Keeping …");
    const name = (label: string) => nameOf(label, regionOf(label), regions);
    const document = captureOf(lifter, setup, activity.settings, worked, agreements, regionOf, name);
    try {
      await keepCapture(crypto.randomUUID(), document, await activity.files(), (share) =>
        setKeeping(`Keeping, ${Math.round(100 * share)}% …`),
      );
      await changed(cache, "captures");
      notify(`${document.title} is kept, with its samples.`);
    } catch (error) {
      notify(error instanceof Error ? error.message : "The server does not answer. The recording is still open.");
    } finally {
      setKeeping("");
    }
  };
  const reopen = async (c: StoredCapture) => {
    try {
      const files = await Promise.all(c.files.map(async (f) => ({ ...f, bytes: await readSamples(c.id, f.slot) })));
      if (c.document.setupId && setups.some((s) => s.id === c.document.setupId)) setSetupId(c.document.setupId);
      const chosen = Object.entries(c.document.muscles).map(([label, region]) => [keyOf(label), region]);
      muscles.set({ ...muscles.now(), ...Object.fromEntries(chosen) });
      await activity.reopen(files, c.document.settings);
    } catch (error) {
      notify(error instanceof Error ? error.message : "The server does not answer.");
    }
  };
  return (
    <ThreeParts>
      <header>
        <Link to={`/measure/${lifter.id}`}>{lifter.name}</Link>
        <span aria-hidden>/</span>
        <h1>Muscle activity</h1>
        <span className="push" />
        {busy && <span role="status">{busy} …</span>}
        <Button isDisabled={!worked || !reps || !!keeping} onPress={() => void keep()}>
          {keeping || "Keep"}
        </Button>
        <Button look="quiet" isDisabled={!reps} onPress={() => void keepFile()}>
          Export as EDF
        </Button>
      </header>
      <section aria-label="Recordings and channels">
        <Recordings activity={activity} />
        {problems.map((p) => (
          <p key={p.path + p.what} className="bad" role="alert">
            {p.path && <b>{p.path}: </b>}
            {p.what} {p.hint}
          </p>
        ))}
        {worked && (
          <ChannelList
            worked={worked}
            picked={channel?.place ?? null}
            pick={setPicked}
            regions={regions}
            regionOf={regionOf}
            setRegion={(label, region) => muscles.set({ ...muscles.now(), [keyOf(label)]: region })}
            without={activity.settings.without ?? []}
            setWithout={(without) => activity.setSettings({ without })}
          />
        )}
        <KeptRecordings lifterId={lifter.id} open={(c) => void reopen(c)} />
        {worked && <SettingsPart settings={activity.settings} set={activity.setSettings} />}
      </section>
      <section aria-label="Activity over the range">
        {setups.length > 0 && (
          <Select
            label="Setup that was done"
            options={setups.map((s) => ({ key: s.id, label: s.name }))}
            value={setupId}
            onChange={(key) => setSetupId(String(key))}
          />
        )}
        {!worked || !channel || !reps ? (
          <p className="quiet">
            Record the strongest contraction of each muscle first, twice, then the repetitions; or open files of them.
            Here you then see each muscle over the range, and whether it does what the model expects.
          </p>
        ) : (
          <>
            <CourseChart
              channel={channel}
              worked={worked}
              agreement={agreements[channel.place]}
              phase={phase}
              setPhase={setPhase}
              name={nameOf(channel.label, regionOf(channel.label), regions)}
            />
            <SignalView
              key={reps.slot + channel.place}
              activity={activity}
              recorded={reps}
              channel={channel}
              worked={worked}
            />
            <AllChannels
              worked={worked}
              agreements={agreements}
              name={(label) => nameOf(label, regionOf(label), regions)}
              pick={setPicked}
            />
          </>
        )}
      </section>
      <section aria-label="What it says">
        <Agreed
          channel={channel}
          worked={worked}
          agreement={channel && agreements[channel.place]}
          phase={phase}
          region={channel ? regionOf(channel.label) : ""}
          hasSetup={!!setup}
        />
      </section>
    </ThreeParts>
  );
}

/** A channel as it is called: by its muscle, once that is chosen. */
export const nameOf = (label: string, region: string, regions: { key: string; label: string }[]): string =>
  regions.find((r) => r.key === region)?.label ?? label;
