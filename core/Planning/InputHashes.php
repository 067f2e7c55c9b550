<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Installation\Installation;
use Sartal\Core\Installation\Run;
use Sartal\Core\Wiring\Assembly;

/** Hashes of everything that a subject's plan depends on: the same hash, the same plan. */
final class InputHashes
{
    /** @var array<string, string> what many runs share is hashed once */
    private array $shared = [];

    /** @var array<string, string> */
    private array $runs = [];

    private readonly string $rules;

    public function __construct(private readonly Installation $installation)
    {
        $this->rules = self::hash($installation->rules);
    }

    public function run(Run $run): string
    {
        return $this->runs[$run->id] ??= $this->compute($run);
    }

    public function assembly(Assembly $assembly): string
    {
        $parts = [$this->rules, $this->shared('panel', '', [$this->installation->links, $this->installation->switches])];
        foreach ($assembly->runs as $id) {
            $parts[] = $this->run($this->installation->runs[$id]);
        }
        foreach ($assembly->fittings as $id) {
            $fitting = $this->installation->fittings[$id] ?? null;
            $parts[] = self::hash($fitting);
            foreach ([$fitting?->connector, ...array_values($fitting->inserts ?? [])] as $type) {
                $parts[] = $type === null ? '' : $this->shared('connector', $type, $this->installation->catalogue->connectors[$type] ?? null);
            }
        }

        return self::hash($parts);
    }

    private function compute(Run $run): string
    {
        $in = $this->installation;
        $catalogue = $in->catalogue;
        $parts = [
            $this->rules,
            self::hash($run),
            $this->shared('cable', $run->cable, isset($catalogue->cables[$run->cable]) ? [$catalogue->cables[$run->cable]->name, $catalogue->cables[$run->cable]->construction] : null),
            $in->locations[$run->a->location]->name ?? '?',
            $in->locations[$run->b->location]->name ?? '?',
            $run->loom !== null && isset($in->looms[$run->loom]),
        ];
        foreach ($run->ways as $id) {
            $way = $in->ways[$id] ?? null;
            array_push($parts, $way?->name, $way?->length->nanometres);
        }
        foreach ($run->carries as $carriage) {
            $signal = $in->circuits[$carriage->circuit]->signal ?? '?';
            array_push($parts, $signal, $this->shared('signal', $signal, $catalogue->signals[$signal] ?? null));
        }
        foreach ([$run->a, $run->b] as $end) {
            foreach ($end->legs as $leg) {
                if ($leg->landing !== null) {
                    $plan = $leg->landing->plan;
                    array_push($parts, $in->fittings[$leg->landing->fitting]->connector ?? '?', $this->shared('plan', $plan, $catalogue->plans[$plan] ?? null));
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
