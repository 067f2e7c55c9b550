<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Labelling\LabelTexts;
use Sartal\Core\Ends\Wiring\Assemblies;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Ways\Routing\Route;

/**
 * Of a run, all by which another can have to do with it: what it is joined to, what it lies with, what its labels say.
 * Where two have nothing of it in common, nothing of one follows from the other; ways are apart, for what lies in them
 * counts for the ways and not for each other.
 */
final readonly class RunCard
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $code  "" where it is withdrawn: its code is free
     * @param  list<string>  $ties  {@see TieName}, by which it belongs to an assembly, or to others by a circuit
     * @param  list<string>  $beside  {@see TieName}, what it lies with and is cut along with
     * @param  list<string>  $says  what its labels are known by
     * @param  list<string>  $labels  each in full, as often as it is there; none where it is withdrawn
     * @param  string  $cable  type id; "" where it is withdrawn
     * @param  list<string>  $ways  in which it lies, or would lie where it is withdrawn, and all that it is pinned to
     * @param  string  $course  {@see Course}
     * @param  bool  $pinned  a planner said by which ways it lies
     * @param  ?int  $reach  nm of its ways; null where they lead nowhere
     * @param  int  $place  among the installation's runs: lower first
     */
    public function __construct(
        public string $run,
        public string $code,
        public array $ties,
        public array $beside,
        public array $says,
        public array $labels,
        public string $cable,
        public array $ways,
        public string $course,
        public bool $pinned,
        public ?int $reach,
        public int $place = PHP_INT_MAX,
    ) {
    }

    /**
     * @param  Installation  $in  with its circuits, and all that is not a run, a fitting or a circuit
     * @param  Route  $route  by which it lies
     */
    public static function of(Run $run, Installation $in, Route $route, int $place = PHP_INT_MAX): self
    {
        $labels = $run->withdrawn ? [] : array_map(
            static fn (Label $label): string => $label->code."\n".$label->line,
            LabelTexts::write($run, $in),
        );

        return new self(
            $run->id,
            $run->withdrawn ? '' : $run->code,
            self::ties($run, $in),
            self::once(self::besides($run, $in)),
            self::once(LabelTexts::codes($run, $in)),
            $labels,
            $run->withdrawn ? '' : $run->cable,
            self::once([...$route->ways(), ...$run->ways]),
            Course::of($run),
            $route->pinned,
            $route->findings === [] ? $route->length()->nanometres : null,
            $place,
        );
    }

    /** @return list<string> by which a run belongs to an assembly, or to others by a circuit */
    public static function ties(Run $run, Installation $in): array
    {
        $ties = Assemblies::anchors($run);
        foreach ($run->carries as $carriage) {
            $ties[] = TieName::circuit($carriage->circuit);
            $phantom = $in->circuit($carriage->circuit)->phantom ?? '';
            array_push($ties, ...$phantom === '' ? [] : [TieName::fitting($phantom)]);
        }

        return self::once($ties);
    }

    /** Whether it counts among what lies in a way. */
    public function liesIn(string $way): bool
    {
        return $this->cable !== '' && in_array($way, $this->ways, true);
    }

    /** The same at another place among the runs. */
    public function at(int $place): self
    {
        return $this->copy(['place' => $place]);
    }

    /** @return list<string> */
    private static function besides(Run $run, Installation $in): array
    {
        $beside = $run->loom === null || $run->withdrawn || $run->isLoose() ? [] : [TieName::loom($run->loom)];
        foreach ($in->panels() === [] ? [] : $run->fittings() as $fitting) {
            foreach ($in->panels() as $panel) {
                array_push($beside, ...in_array($fitting, $panel->places, true) ? [TieName::panel($panel->id)] : []);
            }
        }

        return $beside;
    }

    /**
     * @param  list<string>  $texts
     * @return list<string>
     */
    private static function once(array $texts): array
    {
        return array_values(array_unique($texts));
    }
}
