<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Looming\UsedUp;

/** Hashes of everything that a subject's plan depends on: the same hash, the same plan. */
final class InputHashes
{
    /** @var array<int|string, string> what many runs share is hashed once */
    private array $shared = [];

    /** @var array<int|string, string> */
    private array $runs = [];

    /** @var array<int|string, string> */
    private array $assemblies = [];

    /** @var array<int|string, string> */
    private array $fittings = [];

    /** The house's own; what departs from them is of the runs that it holds for. */
    private readonly string $rules;

    public function __construct(
        private readonly Installation $installation,
        private readonly Layout $layout,
        private readonly ObjectHashes $objects,
    ) {
        $this->rules = self::hash($installation->rules()->atLarge());
    }

    public function run(Run $run): string
    {
        return $this->runs[$run->id] ??= $this->compute($run);
    }

    public function assembly(Assembly $assembly): string
    {
        return $this->assemblies[$assembly->id] ??= $this->computeAssembly($assembly);
    }

    private function computeAssembly(Assembly $assembly): string
    {
        $parts = [
            $this->rules,
            $this->shared('panel', '', [$this->installation->links(), $this->installation->switches()]),
        ];
        foreach ($assembly->runs as $id) {
            $parts[] = $this->run($this->installation->theRun($id));
        }
        foreach ($assembly->fittings as $id) {
            $parts[] = $this->fitting($id);
        }

        return self::hash($parts);
    }

    /** A fitting with the connectors that it is made of and the parts that those name. */
    private function fitting(string $id): string
    {
        return $this->fittings[$id] ??= $this->computeFitting($this->installation->fitting($id));
    }

    private function computeFitting(?Fitting $fitting): string
    {
        if ($fitting === null) {
            return '?';
        }
        $parts = [$this->objects->of($fitting)];
        foreach ([$fitting->connector, ...array_values($fitting->inserts)] as $id) {
            $parts[] = $this->shared['connector:'.$id] ??= self::hash($this->connector($id));
        }
        foreach ($fitting->parts as $id) {
            $parts[] = $this->shared('part', $id, $this->installation->catalogue->part($id));
        }

        return self::hash($parts);
    }

    private function connector(string $id): mixed
    {
        $connector = $this->installation->catalogue->connector($id);

        return $connector === null
            ? null
            : [
                $connector,
                array_map(
                    fn (string $part): ?Part => $this->installation->catalogue->part($part),
                    $connector->cable->parts(),
                ),
            ];
    }

    private static function asBought(CableType $cable): mixed
    {
        return [$cable->name, $cable->construction, $cable->outerDiameter, $cable->jacket, $cable->fire];
    }

    private function compute(Run $run): string
    {
        $in = $this->installation;
        $catalogue = $in->catalogue;
        $parts = [
            $this->rules,
            // Its ends' own are its own; what holds for its family or loom is not.
            $in->rules()->departures === [] ? null : $in->rulesFor($run)->answers(),
            $this->objects->of($run),
            $this->shared(
                'cable',
                $run->cable,
                $catalogue->cable($run->cable) !== null ? self::asBought($catalogue->theCable($run->cable)) : null,
            ),
            $this->shared('location', $run->a->location, $in->location($run->a->location)),
            $this->shared('location', $run->b->location, $in->location($run->b->location)),
            $in->loom($run->loom ?? '')->name ?? null,
        ];
        $lay = $this->layout->lays[$run->id] ?? null;
        foreach ($lay->route->hops ?? [] as $hop) {
            array_push($parts, $hop->way->name, $hop->way->length->nanometres, $hop->from);
        }
        $parts[] = self::hash([$lay?->route->findings, $lay?->extra, $lay?->tails]);
        foreach (Side::cases() as $side) {
            // Of procedures and of what they are run on, nothing else comes into the plan of a run.
            $parts[] = UsedUp::at($run, $side, $in)->length?->nanometres;
        }
        foreach ($run->carries as $carriage) {
            $signal = $in->circuit($carriage->circuit)->signal ?? '?';
            array_push($parts, $signal, $this->shared('signal', $signal, $catalogue->signal($signal)));
        }
        foreach ([$run->a, $run->b] as $end) {
            foreach ($end->legs as $leg) {
                if ($leg->landing !== null) {
                    $plan = $leg->landing->plan;
                    array_push(
                        $parts,
                        $this->fitting($leg->landing->fitting),
                        $this->shared('plan', $plan, $in->plan($plan)),
                    );
                }
            }
        }

        return self::hash($parts);
    }

    private function shared(string $kind, string $id, mixed $value): string
    {
        return $this->shared[$kind.':'.$id] ??= self::hash($value);
    }

    private static function hash(mixed $value): string
    {
        return hash('xxh128', serialize($value));
    }
}
