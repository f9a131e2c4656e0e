/** The film's sound played block by block, with no gap between two; the playhead follows it. */
import { playhead, playing } from "../state/playhead";

type Place = (block: number) => string;
const AHEAD = 0.06;
const SEAM = 0.02;
const MOST_HELD = 8;

/** Plays what `place` names, one block of `each` seconds after the other. */
export class BlockPlayer {
  private context: AudioContext | null = null;
  private held = new Map<string, Promise<AudioBuffer>>();
  private now: { gain: GainNode; began: number; from: number; stop: () => void } | null = null;
  private turn = 0;

  constructor(
    private readonly each: number,
    private readonly onFailed: () => void,
  ) {}

  /** Play from some seconds on until the film's `length`. What plays goes on until this is ready. */
  async play(from: number, length: number, rate: number, place: Place) {
    const turn = ++this.turn;
    const context = (this.context ??= new AudioContext());
    try {
      await context.resume();
      const waited = performance.now();
      const first = Math.floor(from / this.each);
      const early = await this.block(place(first));
      if (turn !== this.turn) return;
      // Time went on while this was on its way, if it takes the place of what plays.
      const at = this.now ? from + (performance.now() - waited) / 1000 : from;
      this.begin(turn, at, length, rate, place, first, early);
    } catch {
      if (turn === this.turn) {
        this.stop();
        this.onFailed();
      }
    }
  }

  stop() {
    this.turn++;
    this.now?.stop();
    this.now = null;
    playing.set(false);
  }

  close() {
    this.stop();
    void this.context?.close();
    this.context = null;
  }

  private begin(
    turn: number,
    from: number,
    length: number,
    rate: number,
    place: Place,
    first: number,
    early: AudioBuffer,
  ) {
    const context = this.context!;
    const began = context.currentTime + AHEAD;
    const gain = context.createGain();
    gain.connect(context.destination);
    const nodes: AudioBufferSourceNode[] = [];
    const lay = (block: number, buffer: AudioBuffer) => {
      const node = context.createBufferSource();
      node.buffer = buffer;
      node.connect(gain);
      const starts = block * this.each - from;
      node.start(began + Math.max(0, starts), Math.max(0, -starts));
      nodes.push(node);
    };
    this.now?.stop();
    lay(first, early);
    this.now = {
      gain,
      began,
      from,
      stop: () => {
        gain.gain.setTargetAtTime(0, context.currentTime, SEAM / 3);
        for (const node of nodes) node.stop(context.currentTime + SEAM * 2);
      },
    };
    playing.set(true);
    void this.goOn(turn, first + 1, length, place, lay);
    const follow = () => {
      if (turn !== this.turn) return;
      const seconds = from + Math.max(0, context.currentTime - began);
      if (seconds >= length) {
        this.stop();
        return;
      }
      playhead.set(Math.floor(seconds * rate + 1e-3));
      requestAnimationFrame(follow);
    };
    requestAnimationFrame(follow);
  }

  private async goOn(
    turn: number,
    next: number,
    length: number,
    place: Place,
    lay: (block: number, buffer: AudioBuffer) => void,
  ) {
    try {
      for (let block = next; block * this.each < length && turn === this.turn; block++) {
        const buffer = await this.block(place(block));
        if (turn !== this.turn) return;
        lay(block, buffer);
        // No farther ahead than a block, so that a change is heard soon and little is held.
        while (turn === this.turn && this.at() < (block - 0.5) * this.each)
          await new Promise((done) => setTimeout(done, 200));
      }
    } catch {
      if (turn === this.turn) {
        this.stop();
        this.onFailed();
      }
    }
  }

  private at() {
    return this.now ? this.now.from + this.context!.currentTime - this.now.began : 0;
  }

  private block(url: string): Promise<AudioBuffer> {
    const known = this.held.get(url);
    if (known) return known;
    const asked = fetch(url).then(async (answer) => {
      if (!answer.ok) throw new Error(String(answer.status));
      return this.context!.decodeAudioData(await answer.arrayBuffer());
    });
    this.held.set(url, asked);
    asked.catch(() => this.held.delete(url));
    for (const old of [...this.held.keys()].slice(0, -MOST_HELD)) this.held.delete(old);
    return asked;
  }
}
