import { useEffect, useState } from "react";
import { kept } from "../../state/kept";
import { Button } from "../../ui/Button";

type Rest = { session: string; until: number; whole: number };

const resting = kept("dialarc.rest", (stored): Rest | null => {
  const rest = stored as Rest | null;
  return typeof rest?.until === "number" ? rest : null;
});

/** Begins a rest; it is kept as the moment at which it ends, so that it goes on while the screen is dark. */
export const beginRest = (session: string, seconds: number): void =>
  resting.set({ session, until: Date.now() + 1000 * seconds, whole: seconds });

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

/** How much of the rest is left, as a needle on an arc; it sounds and shakes when it is over. */
export function RestTimer({ session }: { session: string }) {
  const rest = resting.use();
  const [now, setNow] = useState(Date.now());
  const running = rest?.session === session && rest.until > now - 1000;
  useEffect(() => {
    if (!rest) return;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [rest]);
  const left = rest ? Math.max(0, (rest.until - now) / 1000) : 0;
  const over = running && left <= 0;
  useEffect(() => {
    if (over) signal();
  }, [over]);
  if (!running || !rest) return null;
  const share = rest.whole > 0 ? left / rest.whole : 0;
  const angle = Math.PI * (1 - share);
  return (
    <div className="rest" role="timer" aria-label={`Rest: ${clock(left)} left`}>
      <svg width="60" height="36" viewBox="0 0 60 36" aria-hidden>
        <path d="M6 32A24 24 0 0 1 54 32" fill="none" stroke="var(--line)" strokeWidth="7" />
        <path
          d={`M${30 - 24 * Math.cos(angle)} ${32 - 24 * Math.sin(angle)}A24 24 0 0 1 54 32`}
          fill="none"
          stroke="var(--ember)"
          strokeWidth="7"
        />
        <path
          d={`M30 32L${30 - 20 * Math.cos(angle)} ${32 - 20 * Math.sin(angle)}`}
          stroke="var(--ink)"
          strokeWidth="2"
          strokeLinecap="round"
        />
      </svg>
      <span>
        <b className="mono">{clock(left)}</b> rest left of {clock(rest.whole)}
      </span>
      <Button onPress={() => beginRest(session, left + 30)}>+30 s</Button>
      <Button onPress={() => beginRest(session, -2)}>Skip</Button>
    </div>
  );
}

/** A short tone and a shake, where the phone has them. */
function signal(): void {
  navigator.vibrate?.([200, 100, 200]);
  try {
    const sound = new AudioContext();
    const tone = sound.createOscillator();
    const volume = sound.createGain();
    volume.gain.value = 0.2;
    tone.frequency.value = 660;
    tone.connect(volume).connect(sound.destination);
    tone.start();
    tone.stop(sound.currentTime + 0.4);
    tone.onended = () => void sound.close();
  } catch {
    // a browser that plays nothing before it was touched
  }
}
