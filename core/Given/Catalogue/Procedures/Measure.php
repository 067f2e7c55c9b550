<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** A length of a step: how long, which length it is, and from where. */
final readonly class Measure
{
    use Withers;

    private const DERIVED = [];

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

    public function asked(): self
    {
        return $this->copy(['isAsked' => true]);
    }

    /** The same of another length, which somebody gave. */
    public function of(Length $length): self
    {
        return $this->copy(['length' => $length, 'written' => $length->canonical(), 'isAsked' => false]);
    }

    /** Where it stands in for a figure that only its maker has. */
    public function asks(): string
    {
        return $this->isAsked ? '; maker’s figures needed' : '';
    }
}
