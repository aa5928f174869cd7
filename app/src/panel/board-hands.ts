type Px = readonly [x: number, y: number];

/** What hands do on the board, in px of the host. */
export interface Hands {
  /** The drawing hand touches down, goes on through some places, and lifts; or what it began is given up. */
  down(event: PointerEvent): void;
  move(events: readonly PointerEvent[]): void;
  up(event: PointerEvent): void;
  giveUp(): void;
  /** The board is pushed, or held by two fingers. */
  push(right: number, down: number): void;
  pinch(before: readonly [Px, Px], now: readonly [Px, Px]): void;
  /** Whether the tool in hand moves the board and draws nothing. */
  holdsBoard(): boolean;
}

/**
 * Follows pen, touch and mouse. Two fingers hold the board; once a pen has been seen, one finger only pushes it, so that
 * a resting hand draws nothing.
 */
export class BoardHands {
  private readonly fingers = new Map<number, Px>();
  private drawing: number | null = null;
  private pushing: { readonly pointer: number; readonly at: Px } | null = null;
  private penSeen = false;
  private readonly listening = new AbortController();

  constructor(
    private readonly host: HTMLElement,
    private readonly hands: Hands,
  ) {
    const on = { signal: this.listening.signal };
    host.addEventListener('pointerdown', (event) => this.down(event), on);
    host.addEventListener('pointermove', (event) => this.move(event), on);
    host.addEventListener('pointerup', (event) => this.up(event), on);
    host.addEventListener('pointercancel', (event) => this.up(event), on);
  }

  destroy(): void {
    this.listening.abort();
  }

  /** Where an event is in the host, px. */
  at({ clientX, clientY }: MouseEvent): Px {
    const { left, top } = this.host.getBoundingClientRect();
    return [clientX - left, clientY - top];
  }

  private down(event: PointerEvent): void {
    if (event.button !== 0 && event.button !== 1) return;
    event.preventDefault();
    this.host.focus({ preventScroll: true });
    this.host.setPointerCapture(event.pointerId);
    if (event.pointerType === 'pen') this.penComes();
    if (event.pointerType === 'touch' && this.fingerComes(event)) return;
    if (this.drawing !== null) return;
    if (event.button === 1 || this.hands.holdsBoard() || (event.pointerType === 'touch' && this.penSeen)) {
      this.pushing = { pointer: event.pointerId, at: this.at(event) };
      return;
    }
    this.drawing = event.pointerId;
    this.hands.down(event);
  }

  /** The pen wins: what a finger had begun is given up. */
  private penComes(): void {
    this.penSeen = true;
    if (this.drawing !== null && this.fingers.has(this.drawing)) this.giveUp();
    this.pushing = null;
  }

  /** Notes a finger; with a second one they hold the board. */
  private fingerComes(event: PointerEvent): boolean {
    this.fingers.set(event.pointerId, this.at(event));
    if (this.fingers.size < 2) return false;
    if (this.drawing !== null && this.fingers.has(this.drawing)) this.giveUp();
    this.pushing = null;
    return true;
  }

  private giveUp(): void {
    this.drawing = null;
    this.hands.giveUp();
  }

  private move(event: PointerEvent): void {
    const at = this.at(event);
    const finger = this.fingers.get(event.pointerId);
    if (finger && this.fingers.size === 2) {
      const before = [...this.fingers.values()] as [Px, Px];
      this.fingers.set(event.pointerId, at);
      // A pen that draws is not to have the board pulled away under it.
      if (this.drawing === null) this.hands.pinch(before, [...this.fingers.values()] as [Px, Px]);
    } else if (this.drawing === event.pointerId) {
      const all = event.getCoalescedEvents();
      this.hands.move(all.length > 0 ? all : [event]);
    } else if (this.pushing?.pointer === event.pointerId) {
      this.hands.push(at[0] - this.pushing.at[0], at[1] - this.pushing.at[1]);
      this.pushing = { pointer: event.pointerId, at };
    }
    if (finger) this.fingers.set(event.pointerId, at);
  }

  private up(event: PointerEvent): void {
    this.fingers.delete(event.pointerId);
    if (this.pushing?.pointer === event.pointerId) this.pushing = null;
    if (this.drawing !== event.pointerId) return;
    this.drawing = null;
    this.hands.up(event);
  }
}
