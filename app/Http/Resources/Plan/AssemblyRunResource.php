<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Http\Resources\Ends\BareEndResource;
use App\Planning\Loaded;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Preparing\DrainWithEarth;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\Gestures\EarthDrain;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\Sketch;

/**
 * A run of an assembly: both its ends, element by element, and where each core comes to.
 *
 * @phpstan-import-type LeftBare from BareEndResource
 *
 * @phpstan-type AssemblyRun array{
 *     id: string,
 *     code: string,
 *     version: int,
 *     cable: string,
 *     withdrawn: bool,
 *     drain: AssemblyDrain|null,
 *     ends: list<AssemblyEnd>,
 * }
 * @phpstan-type AssemblyDrain array{joined: list<value-of<Side>>, against: list<string>, caution: string}
 * @phpstan-type AssemblyEnd array{
 *     side: value-of<Side>,
 *     place: string,
 *     bare: LeftBare|null,
 *     legs: list<AssemblyLeg>,
 *     elements: list<AssemblyElement>,
 * }
 * @phpstan-type AssemblyLeg array{
 *     id: string,
 *     label: string,
 *     elements: list<string>,
 *     length: string,
 *     fitting: string,
 *     plan: string,
 * }
 * @phpstan-type AssemblyElement array{
 *     path: string,
 *     label: string,
 *     kind: string,
 *     leg: string,
 *     carries: string,
 *     cores: list<array{
 *         path: string,
 *         label: string,
 *         colour: string,
 *         to: list<string>,
 *         words: string,
 *         function: string,
 *         channel: string,
 *         byHand: string,
 *         unused: string,
 *     }>,
 * }
 */
final class AssemblyRunResource
{
    /**
     * @param  array<string, EndPinout>  $pinouts  by side
     * @return AssemblyRun
     */
    public static function run(Run $run, array $pinouts, Loaded $loaded): array
    {
        $cable = $loaded->installation->catalogue->cable($run->cable);

        return [
            'id' => $run->id,
            'code' => $run->code,
            'version' => $loaded->versions[$run->id] ?? 1,
            'cable' => $cable->name ?? $run->cable,
            'withdrawn' => $run->withdrawn,
            'drain' => $cable === null ? null : self::drain($run, $pinouts, $cable, $loaded->installation),
            'ends' => array_map(
                static fn (Side $side): array => [
                    'side' => $side->value,
                    'place' => $loaded->installation->locationName($run->end($side)->location),
                    'bare' => BareEndResource::of($run->end($side), $cable),
                    'legs' => array_map(self::leg(...), $run->end($side)->legs),
                    'elements' => $cable === null
                        ? []
                        : self::elements($run, $run->end($side), $cable, $pinouts[$side->value], $loaded->installation),
                ],
                Side::cases(),
            ),
        ];
    }

    /**
     * Of the drain of its mains element: at which ends it goes with protective earth, and what is against it.
     *
     * @param  array<string, EndPinout>  $pinouts  by side
     * @return AssemblyDrain|null null where it has none
     */
    private static function drain(Run $run, array $pinouts, CableType $cable, Installation $in): ?array
    {
        $drains = array_map(
            static fn (Conductor $drain): string => $drain->path,
            $cable->mainsDrains(),
        );
        if ($drains === [] || $run->withdrawn) {
            return null;
        }
        $joined = [];
        foreach ($pinouts as $side => $pinout) {
            foreach ($pinout->joints as $joint) {
                array_push($joined, ...in_array($joint->conductor, $drains, true) ? [Side::from($side)->value] : []);
            }
        }

        return [
            'joined' => array_values(array_unique($joined)),
            'against' => (new EarthDrain($run->id))->against(new Sketch($in)),
            'caution' => DrainWithEarth::CAUTION,
        ];
    }

    /** @return AssemblyLeg */
    private static function leg(Leg $leg): array
    {
        return [
            'id' => $leg->id,
            'label' => $leg->label,
            'elements' => $leg->elements,
            'length' => $leg->length->canonical(),
            'fitting' => $leg->landing->fitting ?? '',
            'plan' => $leg->landing->plan ?? '',
        ];
    }

    /** @return list<AssemblyElement> */
    private static function elements(
        Run $run,
        End $end,
        CableType $cable,
        EndPinout $pinout,
        Installation $in,
    ): array {
        $joints = $unused = [];
        foreach ($pinout->joints as $joint) {
            $joints[$joint->conductor][] = $joint;
        }
        foreach ($pinout->unused as $each) {
            $unused[$each->conductor] = $each->reason;
        }
        $elements = [];
        foreach (self::rows('', $cable) as $path) {
            $cores = [];
            foreach ($cable->conductorsWithin($path) as $conductor) {
                $mine = $joints[$conductor->path] ?? [];
                $first = $mine[0] ?? null;
                $cores[] = [
                    'path' => $conductor->path,
                    'label' => $conductor->element->label,
                    'colour' => $conductor->element->colour,
                    'to' => array_map(
                        static fn (Joint $joint): string => Node::place($joint->to)?->text() ?? '',
                        $mine,
                    ),
                    'words' => implode(' and ', array_map(
                        static fn (Joint $joint): string => AssemblyBridges::place($joint->to, $in),
                        $mine,
                    )),
                    'function' => $first->function ?? '',
                    'channel' => $first->channel ?? '',
                    'byHand' => $first->byHand ?? '',
                    'unused' => $unused[$conductor->path] ?? '',
                ];
            }
            $elements[] = [
                'path' => $path,
                'label' => self::label($path, $cable),
                'kind' => $cable->element($path)->kind->value ?? '',
                'leg' => self::legOf($end, $path),
                'carries' => self::carries($run, $path, $in),
                'cores' => $cores,
            ];
        }

        return $elements;
    }

    /** @return list<string> what lands as one: elements that hold cores, and cores that stand by themselves */
    private static function rows(string $path, CableType $cable): array
    {
        $rows = [];
        foreach (Hands::parts($path, $cable) as $part) {
            $inner = array_filter(
                Hands::parts($part, $cable),
                static fn (string $below): bool => ! isset($cable->conductors()[$below]),
            );
            array_push($rows, ...$inner === [] ? [$part] : self::rows($part, $cable));
        }

        return $rows;
    }

    public static function label(string $path, CableType $cable): string
    {
        $labels = [];
        for ($at = ''; $at !== $path;) {
            $next = strpos($path, '/', $at === '' ? 0 : strlen($at) + 1);
            $at = $next === false ? $path : substr($path, 0, $next);
            $labels[] = $cable->element($at)->label ?? $at;
        }

        return implode(' ', array_filter($labels));
    }

    private static function legOf(End $end, string $path): string
    {
        foreach ($end->legs as $leg) {
            if (ElementPath::isWithinAny($path, $leg->elements)) {
                return $leg->id;
            }
        }

        return '';
    }

    private static function carries(Run $run, string $path, Installation $in): string
    {
        foreach ($run->carries as $carriage) {
            if (ElementPath::meetsAny($carriage->element, [$path])) {
                return $in->circuit($carriage->circuit)->name ?? '';
            }
        }

        return '';
    }
}
