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
     * @param  bool  $isAsked  it stands in for the maker's own figure, which nobody has given yet
     */
    public function __construct(
        public Length $length,
        public string $written,
        public MeasureKind $kind,
        public MeasuredFrom $from,
        public string $mark = '',
        public bool $isAsked = false,
    ) {
    }

    /** "leave 12 mm, from the edge of the sheath" */
    public function words(): string
    {
        $figure = match (true) {
            $this->kind === MeasureKind::Along => sprintf('%s of it', $this->written),
            $this->from === MeasuredFrom::Equipment => sprintf('leave %s', $this->written),
            default => sprintf('%s %s', $this->kind->words(), $this->written),
        };

        return sprintf('%s, %s%s', $figure, $this->from->words(), $this->asks());
    }

    /** Where it stands in for a figure that only its maker has. */
    public function asks(): string
    {
        return $this->isAsked ? '; maker’s figures needed' : '';
    }
}
