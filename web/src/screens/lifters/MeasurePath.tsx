import { useMemo, useState } from "react";
import type { Core } from "../../engine/core";
import { DevicePicker, usePicked } from "../../measuring/DevicePicker";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { Modal } from "../../ui/Modal";

type Props = { core: Core; close: () => void; take: (deg: number) => void };

/** Where the arm tracks by itself: the mean of three comfortable positions, typed or read off an inclinometer. */
export function MeasurePath({ core, close, take }: Props) {
  const [planes, setPlanes] = useState<(number | undefined)[]>([undefined, undefined, undefined]);
  const device = usePicked();
  const c = device.connection;
  const running = c?.status === "running";
  const seen = running ? c.trace()?.now(25) : undefined;
  const given = planes.filter((x) => x !== undefined);
  const { ok: fit, problems = [] } = useMemo(() => core.measurePath(given.join("\n")), [core, given]);
  const set = (i: number, value: number | undefined) => setPlanes(planes.map((x, k) => (k === i ? value : x)));
  return (
    <Modal title="Measure the natural arm path" open onClose={close}>
      <ol>
        <li>Raise the straight arm to shoulder height where it goes by itself, eyes closed.</li>
        <li>Read how far in front of straight to the side it is. Shake it out, and do it twice more.</li>
      </ol>
      <DevicePicker label="Inclinometer" none="None: angles are typed" picked={device} />
      {c && (
        <Button isDisabled={c.status !== "ready" && !running} onPress={() => (running ? c.stop() : c.start())}>
          {running ? "Stop" : "Start"}
        </Button>
      )}
      <div className="pair">
        {planes.map((x, i) => (
          <span key={i}>
            <QuantityEntry
              label={`Position ${i + 1}`}
              kind="angle"
              digits={0}
              value={x}
              set={(v) => set(i, v)}
              optional
            />
            {c && (
              <Button
                look="link"
                aria-label={`Position ${i + 1}: take what the inclinometer reads`}
                isDisabled={seen === undefined}
                onPress={() => seen !== undefined && set(i, Math.round(seen))}
              >
                Take {seen === undefined ? "" : `${seen.toFixed(0)}°`}
              </Button>
            )}
          </span>
        ))}
      </div>
      {given.length > 1 &&
        problems.map((p) => (
          <p key={p.what} role="alert">
            {p.what} {p.hint}
          </p>
        ))}
      {fit && (
        <p role="status">
          It tracks {fit.deg.toFixed(0)}° out{fit.off.value == null ? "" : ` ± ${fit.off.value.toFixed(0)}°`}.
        </p>
      )}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Discard
        </Button>
        <Button look="strong" isDisabled={!fit} onPress={() => fit && take(fit.deg)}>
          Use this
        </Button>
      </div>
    </Modal>
  );
}
