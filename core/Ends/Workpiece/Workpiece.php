<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/**
 * A cable's end on its way into a connector: the end itself, what lies on the cable, what is joined, what is hot. A
 * value; what is done to it gives another one.
 */
final readonly class Workpiece
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  list<string>  $laid  parts that lie on the cable, the one that went on first at the front of the list
     * @param  list<string>  $seated  parts that are where they belong
     * @param  array<int|string, true>  $filled  terminals with solder in them
     * @param  array<int|string, list<string>>  $joined  terminal → keys of the pieces that are in it
     * @param  list<string>  $inserted  elements that lie in a connector that takes all at once
     * @param  array<int|string, int>  $hot  what is hot → s of the clock until which it is
     * @param  int  $clock  s
     * @param  array<int|string, int>  $crimped  contact's conductor or part → crimps made on it
     * @param  bool  $pushedOn  the connector's body sits on the cable
     * @param  list<string>  $looked  defects that were looked for
     * @param  array<int|string, Length>  $marks  by the step that made them, from the end as it came
     * @param  ?Length  $measured  what somebody measured on the equipment, from where it leaves the sheath
     * @param  list<string>  $taped  keys of what has tape round it
     * @param  list<string>  $shrunk  parts that were shrunk where they sit
     * @param  list<string>  $turned  parts that were turned to the side that is wanted
     */
    public function __construct(
        public CableEnd $end,
        public array $laid = [],
        public array $seated = [],
        public array $filled = [],
        public array $joined = [],
        public array $inserted = [],
        public array $hot = [],
        public int $clock = 0,
        public array $crimped = [],
        public bool $pushedOn = false,
        public bool $closed = false,
        public array $looked = [],
        public array $marks = [],
        public ?Length $measured = null,
        public array $taped = [],
        public array $shrunk = [],
        public array $turned = [],
        public bool $coiled = false,
    ) {
    }

    public function withEnd(CableEnd $end): self
    {
        return $this->copy(['end' => $end]);
    }

    public function laying(string $part): self
    {
        return $this->copy(['laid' => [...$this->laid, $part]]);
    }

    public function seating(string $part): self
    {
        return $this->copy([
            'laid' => array_values(array_diff($this->laid, [$part])),
            'seated' => [...$this->seated, $part],
        ]);
    }

    public function filling(string $terminal): self
    {
        return $this->copy(['filled' => [$terminal => true] + $this->filled]);
    }

    /** @param  array<int|string, list<string>>  $pieces  terminal → keys of what comes into it */
    public function joining(array $pieces): self
    {
        $joined = $this->joined;
        foreach ($pieces as $terminal => $keys) {
            $joined[$terminal] = [...$joined[$terminal] ?? [], ...$keys];
        }

        return $this->copy(['joined' => $joined]);
    }

    public function crimping(string ...$what): self
    {
        $crimped = $this->crimped;
        foreach ($what as $each) {
            $crimped[$each] = ($crimped[$each] ?? 0) + 1;
        }

        return $this->copy(['crimped' => $crimped]);
    }

    public function pushingOn(): self
    {
        return $this->copy(['pushedOn' => true]);
    }

    /** @param  list<string>  $elements */
    public function inserting(array $elements): self
    {
        return $this->copy(['inserted' => $elements]);
    }

    /**
     * @param  list<string>  $what
     * @param  int  $seconds  until it has cooled by itself
     */
    public function heating(array $what, int $seconds): self
    {
        $hot = $this->hot;
        foreach ($what as $each) {
            $hot[$each] = max($hot[$each] ?? 0, $this->clock + $seconds);
        }

        return $this->copy(['hot' => $hot]);
    }

    public function after(int $seconds): self
    {
        $clock = $this->clock + $seconds;

        return $this->copy([
            'clock' => $clock,
            'hot' => array_filter($this->hot, static fn (int $until): bool => $until > $clock),
        ]);
    }

    public function looking(string $defect): self
    {
        return $this->copy(['looked' => [...$this->looked, $defect]]);
    }

    public function closing(): self
    {
        return $this->copy(['closed' => true]);
    }

    /** @param  Length  $at  from the end as it came */
    public function marking(string $step, Length $at): self
    {
        return $this->copy(['marks' => [$step => $at] + $this->marks]);
    }

    public function measuring(Length $length): self
    {
        return $this->copy(['measured' => $length]);
    }

    /** @param  list<string>  $keys */
    public function taping(array $keys): self
    {
        return $this->copy(['taped' => array_values(array_unique([...$this->taped, ...$keys]))]);
    }

    /** What was taped is cut off with the end. */
    public function untaped(): self
    {
        return $this->copy(['taped' => []]);
    }

    public function shrinking(string $part): self
    {
        return $this->copy(['shrunk' => [...$this->shrunk, $part]]);
    }

    public function turning(string $part): self
    {
        return $this->copy(['turned' => [...$this->turned, $part]]);
    }

    public function coiling(): self
    {
        return $this->copy(['coiled' => true]);
    }

    /** Whether a part is on the cable or in its place. */
    public function has(string $part): bool
    {
        return in_array($part, [...$this->laid, ...$this->seated], true);
    }

    public function isJoined(Piece $piece): bool
    {
        foreach ($this->joined as $pieces) {
            if (in_array($piece->key(), $pieces, true)) {
                return true;
            }
        }

        return false;
    }

    /** What of the cable is used up: it was cut off. */
    public function used(): Length
    {
        return $this->end->cut;
    }
}
