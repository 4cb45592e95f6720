import styled from "styled-components";
import type { ActivitySettings } from "../../../engine/types";
import { Disclosure } from "../../../ui/Disclosure";
import { Entry } from "../../../ui/Entry";
import { Select } from "../../../ui/Select";

const Box = styled.div`
  display: grid;
  gap: 8px;
  .pair { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; }
`;

type Props = { settings: ActivitySettings; set: (part: Partial<ActivitySettings>) => void };

/** How the signal is worked; the samples stay as they were recorded. */
export function SettingsPart({ settings, set }: Props) {
  const hz = (label: string, key: "low" | "high", least: number, most: number) => (
    <Entry
      label={label}
      text={String(settings[key])}
      problem={undefined}
      read={(typed) => {
        const x = Number(typed.replace(",", "."));
        return x >= least && x <= most ? { value: x } : { wrong: `Give ${least} to ${most} Hz.` };
      }}
      set={(x) => set({ [key]: x })}
    />
  );
  return (
    <Disclosure
      title="How the signal is worked"
      name="activity settings"
      line={`${settings.low} to ${settings.high} Hz, ${settings.envelope === "rms" ? `RMS ${1000 * settings.window} ms` : "6 Hz low-pass"}`}
    >
      <Box>
        <div className="pair">
          {hz("From, Hz", "low", 5, 100)}
          {hz("To, Hz", "high", 150, 1000)}
        </div>
        <Select
          label="Envelope"
          options={[
            { key: "rms", label: "RMS over 100 ms" },
            { key: "lowpass", label: "Rectified, below 6 Hz" },
          ]}
          value={settings.envelope}
          onChange={(key) => set({ envelope: key as ActivitySettings["envelope"] })}
        />
        <Select
          label="Mains"
          options={[
            { key: "auto", label: "Taken out where there is hum" },
            { key: "on", label: "Always taken out" },
            { key: "off", label: "Left in" },
          ]}
          value={settings.notch}
          onChange={(key) => set({ notch: key as ActivitySettings["notch"] })}
        />
        <Select
          label="Lifting"
          options={[
            { key: "rising", label: "makes the angle larger" },
            { key: "falling", label: "makes the angle smaller" },
          ]}
          value={settings.falling ? "falling" : "rising"}
          onChange={(key) => set({ falling: key === "falling" })}
        />
        <small>Mean removed, band-pass both ways (4th order), rectified, envelope, over the strongest second.</small>
      </Box>
    </Disclosure>
  );
}
