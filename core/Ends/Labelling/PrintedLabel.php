<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Catalogue\LabelFace;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
use Sartal\Core\Given\Schools\LabelTurn;

/** One label as it comes off a sheet or a roll. */
final readonly class PrintedLabel
{
    /**
     * @param  string  $id  stays while there is such a label: what was printed is known by it
     * @param  string  $part  id of what it is printed on
     * @param  string  $run  whose end it names; "" for a port that nothing is plugged into
     * @param  string  $leg  "" for the end itself
     * @param  string  $code  its first line, large
     * @param  string  $line  its second
     * @param  ?Marked  $marked  where the code reads as another one upside down
     * @param  string  $turned  what it would read
     * @param  string  $colour  of its block, by name; "" for none
     * @param  string  $path  that its code opens; "" for none
     */
    public function __construct(
        public string $id,
        public string $part,
        public LabelFace $face,
        public string $run,
        public string $side,
        public string $leg,
        public string $code,
        public string $line,
        public ?Marked $marked,
        public string $turned,
        public string $colour,
        public string $path,
        public string $place,
    ) {
    }

    /**
     * Of what it is read for: where that is another, it is printed again. How the address under its code is written is
     * not.
     */
    public function fingerprint(): string
    {
        return $this->printedBy($this->marked)[0];
    }

    /** Whether what was printed by this fingerprint need not be printed again. */
    public function stands(string $fingerprint): bool
    {
        return in_array($fingerprint, $this->fingerprints(), true);
    }

    /** Whether what it was printed by says the same but for the mark: without one, or with another. */
    public function differsInMark(string $fingerprint): bool
    {
        $marks = array_map(fn (LabelTurn $rule): Marked => Marked::as($rule, $this->code), LabelTurn::cases());
        foreach ([null, ...$marks] as $mark) {
            if (in_array($fingerprint, $this->printedBy($mark), true)) {
                return ! $this->stands($fingerprint);
            }
        }

        return false;
    }

    /** @return list<string> by any of which it may have been printed */
    public function fingerprints(): array
    {
        return $this->printedBy($this->marked);
    }

    /** @return array{string, string} as each edition makes it */
    private function printedBy(?Marked $mark): array
    {
        $read = [
            $this->part,
            $this->code,
            $this->line,
            $mark?->text,
            $mark?->underlined,
            $mark?->word,
            $this->colour,
        ];

        $facts = [...$read, $this->path === '' ? [] : [$this->run, $this->side, $this->leg]];

        return [
            Fingerprint::make($facts, Edition::now()),
            Fingerprint::make($facts, Edition::Second),
            Fingerprint::make([...$read, $this->path], Edition::First),
        ];
    }
}
