<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Measure\Withers;

/** One step of a procedure, as it stands in the catalogue. */
final readonly class MakingStep
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $id  name among the steps of its procedure: records and findings call it so
     * @param  string  $part  that is slid on or put in its place; "" of none
     * @param  string  $tool  with its die or setting
     * @param  string  $check  what is looked for, and how
     * @param  string  $catches  the defect that the check finds; "" of none
     * @param  list<string>  $redo  steps that are done again where the defect is found; empty: this one
     * @param  int  $seconds  that are waited
     * @param  string  $why  the reason that is shown with it
     * @param  string  $caution  what can hurt somebody
     * @param  bool  $locked  for copies, of which there are none yet: they are to keep it
     * @param  list<PieceKind>  $has  only of an end that has one of these; empty: of any
     * @param  list<PieceKind>  $lacks  only of an end that has none of these
     * @param  Under  $under  only where the house has it so
     * @param  string  $since  when its record begins, RFC 3339: what was done before was other work; "" where all of it
     *     counts
     */
    public function __construct(
        public string $id,
        public Verb $verb,
        public Selector $of,
        public ?Measure $measure = null,
        public string $part = '',
        public string $tool = '',
        public string $check = '',
        public string $catches = '',
        public int $seconds = 0,
        public string $why = '',
        public string $caution = '',
        public bool $locked = false,
        public array $has = [],
        public array $lacks = [],
        public Under $under = new Under(),
        public array $redo = [],
        public string $since = '',
    ) {
    }

    /** With its figure standing in for the maker's. */
    public function asked(): self
    {
        return $this->measure === null ? $this : $this->measuring($this->measure->asked());
    }

    public function measuring(Measure $measure): self
    {
        return $this->copy(['measure' => $measure]);
    }

    /**
     * Whether it is a step of such an end at all.
     *
     * @param  list<PieceKind>  $there  what the end has
     */
    public function isFor(array $there): bool
    {
        $isThere = static fn (PieceKind $kind): bool => in_array($kind, $there, true);

        return ($this->has === [] || array_filter($this->has, $isThere) !== []) &&
            array_filter($this->lacks, $isThere) === [];
    }
}
