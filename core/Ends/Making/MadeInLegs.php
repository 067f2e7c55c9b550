<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;

/** An end that was opened into legs, each of which was made by itself from there. */
final readonly class MadeInLegs
{
    /**
     * @param  array<int|string, Made>  $legs  by element, in the order in which they were made
     * @param  list<string>  $unmet  what is not as it has to be between them
     */
    private function __construct(public Made $whole, public array $legs, public array $unmet)
    {
    }

    /** @param  list<LegStation>  $legs */
    public static function by(MakingProcedure $procedure, Workpiece $on, Station $station, array $legs): self
    {
        $whole = Made::by($procedure, $on, $station);
        $made = $unmet = $open = [];
        foreach ($procedure->legs as $making) {
            foreach ($legs as $leg) {
                if ($leg->carries !== $making->carries) {
                    continue;
                }
                if ($leg->procedure->id !== $making->procedure) {
                    $unmet[] = sprintf('%s is made by %s here.', ucfirst($leg->element), $making->procedure);
                }
                foreach ($making->last ? $open : [] as $other) {
                    $unmet[] = sprintf(
                        '%s is finished at both ends before %s is begun.',
                        ucfirst($other),
                        $leg->element,
                    );
                }
                $of = Made::by($leg->procedure, self::leg($whole->result, $leg), $leg->station);
                $made[$leg->element] = $of;
                array_push($open, ...$of->isRight() && $leg->isFarFinished ? [] : [$leg->element]);
            }
        }
        foreach ($legs as $leg) {
            if (! isset($made[$leg->element])) {
                $unmet[] = sprintf('Nothing says how %s is made.', $leg->element);
            }
        }

        return new self($whole, $made, $unmet);
    }

    /** A leg as it comes out of the sheath: what is hot still is, and the clock goes on. */
    private static function leg(Workpiece $whole, LegStation $leg): Workpiece
    {
        return new Workpiece($whole->end->leg($leg->element), hot: $whole->hot, clock: $whole->clock);
    }

    public function isRight(): bool
    {
        foreach ($this->legs as $leg) {
            if (! $leg->isRight()) {
                return false;
            }
        }

        return $this->unmet === [] && $this->whole->isRight();
    }
}
