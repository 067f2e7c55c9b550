<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Planning\Loaded;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Wiring\Assemblies;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\Found;

/**
 * Every end and every connector of an assembly, and what is joined to what.
 *
 * @phpstan-import-type AssemblyRun from AssemblyRunResource
 * @phpstan-import-type AssemblyFitting from AssemblyFittingResource
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type AssemblyPage array{
 *     id: string,
 *     runs: list<AssemblyRun>,
 *     fittings: list<AssemblyFitting>,
 *     jumpers: list<array{from: string, to: string, note: string, words: string}>,
 *     switches: list<array{id: string, name: string, from: string, to: string, closed: bool, words: string}>,
 *     splices: list<array{id: string, comes: list<string>}>,
 *     findings: list<FindingShown>,
 *     sums: array{contacts: int, legs: int, unused: int},
 * }
 */
final class AssemblyResource
{
    /** @return AssemblyPage */
    public static function of(string $run, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $assembly = self::assembly($run, $in);
        $pinouts = [];
        foreach ($assembly->runs as $id) {
            $of = $in->theRun($id);
            $cable = $in->catalogue->cable($of->cable);
            foreach (Side::cases() as $side) {
                $pinouts[$id][$side->value] = $cable === null
                    ? new EndPinout([], [], [])
                    : PinoutMaker::make($in, $of, $side, $cable);
            }
        }
        $all = array_merge(...array_map(
            static fn (array $ends): array => array_merge(...array_map(
                static fn (EndPinout $end): array => $end->joints,
                array_values($ends),
            )),
            array_values($pinouts),
        ));
        $runs = array_map(
            static fn (string $id): array => AssemblyRunResource::run($in->theRun($id), $pinouts[$id], $loaded),
            $assembly->runs,
        );

        return [
            'id' => $assembly->id,
            'runs' => $runs,
            'fittings' => AssemblyFittingResource::fittings($assembly, $all, $loaded),
            'jumpers' => AssemblyBridges::jumpers($assembly, $in),
            'switches' => AssemblyBridges::switches($assembly, $in),
            'splices' => AssemblyBridges::splices($assembly, $all, $in),
            'findings' => array_map(
                PlanEncoder::finding(...),
                Found::around($in, $assembly->runs, $assembly->fittings),
            ),
            'sums' => [
                'contacts' => count(array_unique(array_map(static fn (Joint $joint): string => $joint->to, $all))),
                'legs' => array_sum(array_map(
                    static fn (array $shown): int => array_sum(array_map(
                        static fn (array $end): int => count($end['legs']),
                        $shown['ends'],
                    )),
                    $runs,
                )),
                'unused' => array_sum(array_map(
                    static fn (array $ends): int => array_sum(array_map(
                        static fn (EndPinout $end): int => count($end->unused),
                        $ends,
                    )),
                    $pinouts,
                )),
            ],
        ];
    }

    public static function assembly(string $run, Installation $in): Assembly
    {
        foreach (Assemblies::find($in) as $assembly) {
            if (in_array($run, $assembly->runs, true)) {
                return $assembly;
            }
        }

        return new Assembly($run, [$run], []);
    }
}
