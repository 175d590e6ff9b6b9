// Rows for COPY in PostgreSQL’s binary format (its manual, "COPY"): half the work of text. Values must have exactly the types of the table’s columns, in their order.
import { daysBetween, type PlainDate, plain } from "#core/quantities/index.ts";

const HEAD = Buffer.from("PGCOPY\n\xff\r\n\0\0\0\0\0\0\0\0\0", "latin1");
const TAIL = Buffer.from([0xff, 0xff]);
const FIRST_DAY = plain("2000-01-01");
const WIDEST_EXACT = 15;

export class CopyRows {
  #bytes = Buffer.allocUnsafe(1 << 16);
  #end = 0;
  readonly #starts: number[] = [];
  readonly #days = new Map<PlainDate, number>();

  /** Begins a row of so many cells. */
  row(cells: number): void {
    this.#room(2);
    this.#starts.push(this.#end);
    this.#end = this.#bytes.writeInt16BE(cells, this.#end);
  }

  null(): void {
    this.#room(4);
    this.#end = this.#bytes.writeInt32BE(-1, this.#end);
  }

  /** A bigint, given as its digits. */
  bigint(digits: string): void {
    this.#room(12);
    this.#end = this.#bytes.writeInt32BE(8, this.#end);
    if (digits.length > WIDEST_EXACT) {
      this.#end = this.#bytes.writeBigInt64BE(BigInt(digits), this.#end);
      return;
    }
    const value = Number(digits);
    this.#end = this.#bytes.writeInt32BE(Math.floor(value / 2 ** 32), this.#end);
    this.#end = this.#bytes.writeUInt32BE(value >>> 0, this.#end);
  }

  smallint(value: number): void {
    this.#room(6);
    this.#end = this.#bytes.writeInt32BE(2, this.#end);
    this.#end = this.#bytes.writeInt16BE(value, this.#end);
  }

  /** Answers the day's number. */
  date(date: PlainDate): number {
    let day = this.#days.get(date);
    if (day === undefined) {
      day = daysBetween(FIRST_DAY, date);
      this.#days.set(date, day);
    }
    this.#room(8);
    this.#end = this.#bytes.writeInt32BE(4, this.#end);
    this.#end = this.#bytes.writeInt32BE(day, this.#end);
    return day;
  }

  text(text: string): void {
    this.#room(4 + 3 * text.length);
    const length = this.#bytes.write(text, this.#end + 4);
    this.#bytes.writeInt32BE(length, this.#end);
    this.#end += 4 + length;
  }

  /** A jsonb, given as its JSON. */
  jsonb(json: string): void {
    this.#room(5 + 3 * json.length);
    const length = this.#bytes.write(json, this.#end + 5);
    this.#bytes.writeInt32BE(1 + length, this.#end);
    // The version of jsonb's binary form; there is only the one.
    this.#bytes[this.#end + 4] = 1;
    this.#end += 5 + length;
  }

  /** All rows, in the order of the numbers handed in, one for each row; equal ones as they were written. */
  sorted(ranks: readonly number[]): Buffer {
    const order = this.#starts.map((_, row) => row).sort((a, b) => (ranks[a] ?? 0) - (ranks[b] ?? 0));
    const whole = Buffer.allocUnsafe(HEAD.length + this.#end + TAIL.length);
    let at = HEAD.copy(whole);
    for (const row of order)
      at += this.#bytes.copy(whole, at, this.#starts[row], this.#starts[row + 1] ?? this.#end);
    TAIL.copy(whole, at);
    return whole;
  }

  /** Makes sure that so many bytes can be written. */
  #room(bytes: number): void {
    if (this.#end + bytes <= this.#bytes.length) return;
    const wider = Buffer.allocUnsafe(2 * (this.#end + bytes));
    this.#bytes.copy(wider, 0, 0, this.#end);
    this.#bytes = wider;
  }
}
