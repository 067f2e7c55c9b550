<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;

/** One step as it was done on a workpiece. */
final readonly class StepMade
{
    /** @param  list<string>  $lacks  what was not as it had to be: it was not done then */
    public function __construct(
        public MakingStep $step,
        public Doing $doing,
        public Workpiece $before,
        public Workpiece $after,
        public array $lacks,
    ) {
    }

    /** Whether this one and one that comes right after it may be done the other way round. */
    public function isFreeOf(self $next): bool
    {
        return $this->regions()->areApart($next->regions());
    }

    public function regions(): Regions
    {
        $regions = Acts::of($this->step->verb)->regions($this->before, $this->doing);
        $from = match ($this->step->measure?->from) {
            MeasuredFrom::Mark => ['marks'],
            MeasuredFrom::Equipment => ['measured'],
            default => [],
        };

        return new Regions([...$regions->reads, ...$from], $regions->writes);
    }

    /**
     * What was put in earlier, a crimp or a stroke holds; what is laid into a slot of its own is put in there and then.
     *
     * @return list<string> terminals whose joints it makes
     */
    public function makesJoints(): array
    {
        $step = $this->step;
        $station = $this->doing->station;
        $isHeld = static fn (string $terminal): bool => array_intersect(
            array_map(strval(...), array_keys($station->terminals->goes, $terminal, true)),
            $station->terminals->screens,
        ) !== [];
        $all = $station->terminals->all();
        $centre = array_values(array_filter($all, static fn (string $each): bool => ! $isHeld($each)));

        $isJoining = in_array(
            $step->verb,
            [Verb::Join, Verb::Clamp, Verb::Load, Verb::LayIn, Verb::PressIn, Verb::Bind],
            true,
        );

        return match (true) {
            $isJoining => array_values(array_diff(
                array_map(strval(...), array_keys($this->doing->byTerminal())),
                $step->verb === Verb::PressIn && ! $this->isOneStroke() ? $this->laidIn() : [],
            )),
            $station->centre === Centre::None => [],
            $step->verb === Verb::Crimp && $step->part === 'pin' => $centre,
            $step->verb === Verb::PushOn && $station->centre !== Centre::Pin => $centre,
            $step->verb === Verb::Crimp && $this->isLastCrimp() => array_values(array_filter($all, $isHeld)),
            default => [],
        };
    }

    /** @return list<string> terminals whose cores lie in their slots already */
    private function laidIn(): array
    {
        $laid = [];
        foreach ($this->before->inserted as $element) {
            $terminal = $this->doing->station->terminals->goes[Piece::keyOf(PieceKind::Metal, $element)] ?? null;
            array_push($laid, ...$terminal === null ? [] : [$terminal]);
        }

        return $laid;
    }

    /** Cores lie in slots of their own by then. */
    public function isAfterLayingIn(): bool
    {
        return $this->before->inserted !== [] && $this->doing->station->terminals->row === [];
    }

    /** One stroke of the tool makes all its joints. */
    public function isOneStroke(): bool
    {
        return $this->step->verb === Verb::PressIn && $this->doing->station->terminals->row !== [];
    }

    private function isLastCrimp(): bool
    {
        $part = $this->step->part;

        return $part !== '' && ($this->after->crimped[$part] ?? 0) >=
            ($this->doing->station->parts->crimps[$part] ?? 1);
    }
}
