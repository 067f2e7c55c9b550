<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Given\Installation\PortRef;

/**
 * Looks through everything that has a name. The best match first: what is
 * exactly so, then what begins so, then what has the words somewhere.
 */
final readonly class Finder
{
    private const LISTED = 20;

    public function __construct(private Loaded $loaded)
    {
    }

    /** @return list<array{kind: string, name: string, about: string, path: string}> */
    public function find(string $query): array
    {
        $wanted = mb_strtolower($query);
        if ($wanted === '') {
            return [];
        }
        $found = [];
        foreach ($this->things() as $thing) {
            $score = self::score(
                $wanted,
                mb_strtolower($thing['name']),
                mb_strtolower($thing['name'].' '.$thing['about']),
            );
            if ($score > 0) {
                $found[] = [$score, $thing];
            }
        }
        usort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_map(static fn (array $each): array => $each[1], array_slice($found, 0, self::LISTED));
    }

    private static function score(string $wanted, string $name, string $all): int
    {
        if ($name === $wanted || str_replace([' ', '-'], '', $name) === str_replace([' ', '-'], '', $wanted)) {
            return 100;
        }
        if (str_starts_with($name, $wanted)) {
            return 60;
        }
        foreach (preg_split('~\s+~', $wanted) ?: [] as $word) {
            if (! str_contains($all, $word)) {
                return 0;
            }
        }

        return str_contains($name, $wanted) ? 40 : 20;
    }

    /** @return iterable<array{kind: string, name: string, about: string, path: string}> */
    private function things(): iterable
    {
        $in = $this->loaded->installation;
        foreach ($in->runs() as $run) {
            $about = sprintf(
                '%s → %s, %s%s',
                $in->locationName($run->a->location),
                $in->locationName($run->b->location),
                $in->catalogue->cables()[$run->cable]->name ?? $run->cable,
                $run->withdrawn ? ', withdrawn' : '',
            );
            yield [
                'kind' => 'run',
                'name' => $run->code,
                'about' => $about,
                'path' => '/runs/'.rawurlencode($run->id),
            ];
            // A label at an end carries the code and which end it is.
            foreach (['A', 'B'] as $side) {
                yield [
                    'kind' => 'end',
                    'name' => $run->code.' '.$side,
                    'about' => 'sheet for the vice',
                    'path' => '/runs/'.rawurlencode($run->id).'/sheet/'.$side,
                ];
            }
        }
        foreach ($in->locations() as $location) {
            yield [
                'kind' => 'place',
                'name' => $location->name,
                'about' => 'its runs',
                'path' => '/schedule?find='.rawurlencode('"'.$location->name.'"'),
            ];
        }
        foreach ($in->looms() as $loom) {
            yield [
                'kind' => 'loom',
                'name' => $loom->name,
                'about' => 'its runs',
                'path' => '/schedule?find='.rawurlencode('loom:"'.$loom->name.'"'),
            ];
        }
        foreach ($in->equipment() as $device) {
            foreach ($device->ports as $port) {
                yield [
                    'kind' => 'port',
                    'name' => $device->name.' '.$port->name,
                    'about' => $in->locationName($device->location),
                    'path' => $this->atPort((new PortRef($device->id, $port->id))->text()),
                ];
            }
        }
        foreach ($in->circuits() as $circuit) {
            yield [
                'kind' => 'circuit',
                'name' => $circuit->name,
                'about' => 'its way, connector by connector',
                'path' => '/handover/service?circuit='.rawurlencode($circuit->id),
            ];
        }
        foreach ($in->catalogue->plans() as $plan) {
            yield [
                'kind' => 'contact plan',
                'name' => $plan->name,
                'about' => $in->catalogue->connectors()[$plan->connector]->name ?? $plan->connector,
                'path' => '/rules/plans/'.rawurlencode($plan->id),
            ];
        }
        foreach (
            ['cable' => $in->catalogue->cables(), 'connector' => $in->catalogue->connectors()] as $kind => $types
        ) {
            foreach ($types as $type) {
                yield [
                    'kind' => $kind.' type',
                    'name' => $type->name,
                    'about' => $type->id,
                    'path' => sprintf('/rules/catalogue?kind=%s&id=%s', $kind, rawurlencode($type->id)),
                ];
            }
        }
        foreach (array_unique($this->loaded->people) as $name) {
            yield [
                'kind' => 'person',
                'name' => $name,
                'about' => 'what this person did',
                'path' => '/schedule?find='.rawurlencode(sprintf('by:"%s"', $name)),
            ];
        }
    }

    /** The run that is plugged in there, or the schedule where none is. */
    private function atPort(string $port): string
    {
        foreach ($this->loaded->installation->matings() as $mating) {
            foreach ($mating->with === $port ? $this->loaded->installation->runs() : [] as $run) {
                if (in_array($mating->fitting, $run->fittings(), true)) {
                    return '/runs/'.rawurlencode($run->id);
                }
            }
        }

        return '/schedule';
    }
}
