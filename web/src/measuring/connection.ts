import { Growing } from "./growing";

/** One quantity that a device sends. */
export type Channel = { key: string; unit: string; rate: number };

type Message = {
  hello?: { protocol: string; name: string; channels: Channel[] };
  s?: { t: number; v: number[][] };
  event?: { t: number; what: string };
  failed?: string;
};

export type Status = "connecting" | "ready" | "running" | "gone" | "refused";

const pause = 80; // ms
const protocol = "dialarc.device/1";

/** A measuring device that the page talks to, and what it has sent since it was started. What was got stays when it goes. */
export class Connection {
  status: Status = "connecting";
  channels: Channel[] = [];
  /** Why it is not there. */
  why = "";
  /** What each channel sent since the last start. */
  readonly sent = new Map<string, Growing>();
  private socket: WebSocket;
  private listeners = new Set<() => void>();
  private telling: ReturnType<typeof setTimeout> | undefined;
  private version = 0;

  constructor(
    readonly name: string,
    readonly url: string,
  ) {
    this.socket = this.open();
  }

  private open(): WebSocket {
    const socket = new WebSocket(this.url);
    socket.onmessage = (e) => this.take(e.data);
    socket.onclose = () => this.lost();
    return socket;
  }

  private take(raw: unknown): void {
    const m = read(raw);
    if (!m) this.refuse("It sends what cannot be read.");
    else if (m.hello && m.hello.protocol !== protocol) this.refuse(`It speaks ${m.hello.protocol}, not ${protocol}.`);
    else this.heed(m);
  }

  private heed(m: Message): void {
    if (m.hello) {
      this.channels = m.hello.channels;
      this.status = "ready";
    }
    if (m.s && this.status === "running") this.add(m.s.t, m.s.v);
    if (m.failed) this.why = m.failed;
    this.tell();
  }

  private add(t: number, rows: number[][]): void {
    this.channels.forEach((c, i) => {
      const into = this.sent.get(c.key);
      rows.forEach((row, k) => {
        const v = row[i];
        const at = t + k / c.rate;
        if (into && typeof v === "number" && Number.isFinite(v) && at > into.last()) into.push(at, v);
      });
    });
  }

  private refuse(why: string): void {
    this.status = "refused";
    this.why = why;
    this.socket.close();
    this.tell();
  }

  private lost(): void {
    if (this.status === "refused") return;
    this.why =
      this.status === "connecting" ? "It does not answer." : "It is gone. What it sent until then is still here.";
    this.status = "gone";
    this.tell();
  }

  /** Connects anew to a device that is gone. */
  again(): void {
    this.status = "connecting";
    this.why = "";
    this.socket = this.open();
    this.tell();
  }

  start(): void {
    this.sent.clear();
    for (const c of this.channels) this.sent.set(c.key, new Growing());
    this.status = "running";
    this.say("start");
  }

  stop(): void {
    if (this.status !== "running") return;
    this.status = "ready";
    this.say("stop");
  }

  tare(): void {
    this.say("tare");
  }

  close(): void {
    this.listeners.clear();
    this.socket.onclose = null;
    this.socket.close();
  }

  /** What a channel sent, the first unless named. */
  trace(key = this.channels[0]?.key ?? ""): Growing | undefined {
    return this.sent.get(key);
  }

  private say(what: string): void {
    this.socket.send(JSON.stringify({ do: what }));
    this.tell();
  }

  /** Tells who listens, a few times a second: what is worked out beside the trace needs room between. */
  private tell(): void {
    this.telling ??= setTimeout(() => {
      this.telling = undefined;
      this.version += 1;
      for (const l of this.listeners) l();
    }, pause);
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly state = () => this.version;
}

function read(raw: unknown): Message | undefined {
  try {
    return JSON.parse(String(raw));
  } catch {
    return undefined;
  }
}
