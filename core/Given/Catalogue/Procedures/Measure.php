<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Measure\Length;

/** A length of a step: how long, which length it is, and from where. */
final readonly class Measure
{
    /**
     * @param  string  $written  as it is marked, in its own unit: "3 1/2 in"
     * @param  string  $mark  the step that made the mark, where it is measured from one
     */
    public function __construct(
        public Length $length,
        public string $written,
        public MeasureKind $kind,
        public MeasuredFrom $from,
        public string $mark = '',
    ) {
    }

    /** "leave 12 mm, from the edge of the sheath" */
    public function words(): string
    {
        if ($this->kind === MeasureKind::Along) {
            return sprintf('%s of it, %s', $this->written, $this->from->words());
        }

        return $this->from === MeasuredFrom::Equipment
            ? sprintf('leave %s %s', $this->written, $this->from->words())
            : sprintf('%s %s, %s', $this->kind->words(), $this->written, $this->from->words());
    }
}
