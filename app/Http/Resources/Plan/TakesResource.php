<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Work\Parts\Labour;
use Sartal\Core\Work\Parts\PartsLine;
use Sartal\Core\Work\Parts\PartsPlanner;

/**
 * What a few runs take at the bench and in parts, planned by themselves.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type Takes array{
 *     minutes: FigureShown,
 *     parts: list<array{name: string, needed: FigureShown}>,
 *     cost: float,
 *     currency: string,
 *     unpriced: int,
 * }
 */
final class TakesResource
{
    /** @return Takes of an assembly as it stands */
    public static function ofAssembly(Assembly $assembly, Installation $in): array
    {
        $alone = self::alone($assembly, $in);

        return self::of($alone, (new Planner())->plan($alone), $assembly->runs);
    }

    /**
     * @param  Installation  $alone  these runs and no others
     * @param  list<string>  $runs
     * @return Takes
     */
    public static function of(Installation $alone, Plan $plan, array $runs): array
    {
        $parts = PartsPlanner::planned($alone, $plan)->list($runs);
        $labour = new Labour($alone);
        $minutes = 0.0;
        $terms = [];
        foreach ($plan->assemblies as $assembly) {
            $taken = $labour->of($assembly, $plan->runs);
            $minutes += $taken->value;
            $terms[] = new FigureTerm(
                implode(', ', array_map(static fn (string $id): string => $alone->theRun($id)->code, $assembly->runs)),
                sprintf('%d kinds of work', count($taken->terms)),
                $taken->text(),
                'common practice',
            );
        }

        return [
            'minutes' => PlanEncoder::figure(new Figure($minutes, 'min', $terms, 0)),
            'parts' => array_map(
                static fn (PartsLine $line): array => [
                    'name' => $line->name,
                    'needed' => PlanEncoder::figure($line->needed),
                ],
                $parts->lines,
            ),
            'cost' => round($parts->cost, 2),
            'currency' => $alone->economy()->currency,
            'unpriced' => count($parts->unpriced),
        ];
    }

    /** The assembly in the building as it is, without all else. */
    private static function alone(Assembly $assembly, Installation $in): Installation
    {
        $fittings = array_flip($assembly->fittings);
        $isHere = static fn (string $place): bool => JoiningPlace::from($place)->isSplice() ||
            isset($fittings[JoiningPlace::from($place)->fitting]);
        $joins = static fn (Link|PanelSwitch $each): bool => $isHere($each->from) && $isHere($each->to);

        return $in->changed([
            'runs' => array_intersect_key($in->runs(), array_flip($assembly->runs)),
            'fittings' => array_intersect_key($in->fittings(), $fittings),
            'links' => array_values(array_filter($in->links(), $joins)),
            'switches' => array_filter($in->switches(), $joins),
            'matings' => [],
            'equipment' => [],
        ]);
    }
}
