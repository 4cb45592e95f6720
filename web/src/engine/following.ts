import type { Seen } from "./live";

/**
 * Decides what is shown of the document: at rest what was just worked out, and from the first move of a drag until its last place has been
 * looked at exactly, what the core beside the page told last.
 */
export class Following {
  private shown: Seen | null = null;
  private heard: Seen | null = null;
  private held = "";
  /** Whether the core beside the page is being asked. */
  on = false;

  /** What to show of a text: dragged or not, with what was heard last, and how it is worked out where it cannot wait. */
  see(text: string, dragged: boolean, heard: Seen | null, work: () => Seen): Seen {
    if (heard && heard !== this.heard) {
      this.heard = heard;
      if (this.on) this.shown = heard;
    }
    if (dragged) this.held = text;
    const done = this.shown?.text === text && this.shown.exact;
    if (!dragged && (done || text !== this.held)) this.on = false;
    if (!this.shown || (!this.on && !done)) this.shown = work();
    return this.shown;
  }
}
