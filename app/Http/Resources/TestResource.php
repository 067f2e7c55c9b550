<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Planning\Loaded;
use Sartal\Core\Diagnosing\Cause;
use Sartal\Core\Diagnosing\CauseWords;
use Sartal\Core\Diagnosing\Diagnosis;
use Sartal\Core\Diagnosing\EndToOpen;
use Sartal\Core\Diagnosing\Fault;
use Sartal\Core\Diagnosing\FirstToOpen;
use Sartal\Core\Diagnosing\Trouble;
use Sartal\Core\Document\EventCodec;
use Sartal\Core\Installation\Run;
use Sartal\Core\Testing\Expectation;
use Sartal\Core\Testing\PairCheck;
use Sartal\Core\Testing\Probe;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Wiring\Assembly;

/** What a tester works from: the points to touch, what should light, and what a wrong reading means. */
final class TestResource
{
    /** Causes of one trouble that are listed: nobody reads further. */
    private const LISTED = 24;

    /** @return array<string, mixed> */
    public static function sheet(Run $run, Assembly $assembly, Expectation $expectation, Loaded $loaded): array
    {
        $reading = EventCodec::encodeReading($expectation->reading);

        return [
            'assembly' => $assembly->id,
            'fingerprint' => $expectation->fingerprint(),
            'run' => ScheduleResource::row($run, $loaded),
            'runs' => array_map(static fn (string $id): string => $loaded->installation->runs[$id]->code, $assembly->runs),
            'from' => array_values(array_map(self::probe(...), $expectation->setup->from)),
            'to' => array_values(array_map(self::probe(...), $expectation->setup->to)),
            'twoSided' => array_intersect_key($expectation->setup->from, $expectation->setup->to) === [],
            'expected' => $reading['lights'],
            'pairs' => array_map(static fn (PairCheck $pair): array => ['id' => $pair->id, 'nodes' => $pair->nodes], $expectation->setup->pairs),
            'fittings' => self::fittings($assembly, $loaded),
            'history' => RunResource::of($loaded->installation->runs[$assembly->id], $loaded)['history'],
            'cautions' => self::cautions($assembly, $loaded),
        ];
    }

    /** @return array<string, mixed> */
    public static function verdict(Reading $reading, Expectation $expectation, Diagnosis $diagnosis, CauseWords $words, FirstToOpen $first, Loaded $loaded): array
    {
        return [
            'verdict' => $expectation->verdict($reading)->value,
            'wrong' => $expectation->wrongLines($reading),
            'wrongPairs' => $expectation->wrongPairs($reading),
            'unread' => count($expectation->unreadLines($reading)),
            'troubles' => array_map(static fn (Trouble $trouble): array => [
                'lines' => $trouble->lines,
                'pairs' => $trouble->pairs,
                'causes' => array_map(static fn (Cause $cause): array => array_map(static fn (Fault $fault): array => [
                    'words' => $words->name($fault),
                    'consequence' => $words->consequence($fault),
                    'kind' => $fault->kind->value,
                    'side' => $words->side($fault),
                    'fitting' => $loaded->installation->fittings[$words->fitting($fault)]->label ?? '',
                ], $cause->faults), array_slice($trouble->causes, 0, self::LISTED)),
                'more' => max(0, count($trouble->causes) - self::LISTED),
                'open' => self::open($first->among($trouble), $loaded),
            ], $diagnosis->troubles),
        ];
    }

    /** @return ?array<string, mixed> */
    private static function open(?EndToOpen $end, Loaded $loaded): ?array
    {
        return $end === null ? null : ['side' => $end->side, 'fitting' => $loaded->installation->fittings[$end->fitting]->label ?? $end->fitting, 'reasons' => $end->reasons];
    }

    /** @return array<string, string> */
    private static function probe(Probe $probe): array
    {
        return ['node' => $probe->node, 'side' => $probe->side->value, 'fitting' => $probe->fitting, 'address' => $probe->address, 'serves' => $probe->serves];
    }

    /** @return array<string, mixed> */
    private static function fittings(Assembly $assembly, Loaded $loaded): array
    {
        $fittings = [];
        $tags = self::tags($assembly, $loaded);
        foreach ($assembly->fittings as $id) {
            $fitting = $loaded->installation->fittings[$id] ?? null;
            if ($fitting !== null) {
                $fittings[$id] = [
                    'label' => $fitting->label,
                    'tag' => $tags[$id] ?? '',
                    'location' => $loaded->installation->locationName($fitting->location),
                    'drawing' => ConnectorDrawing::of($fitting, $loaded->installation->catalogue),
                ];
            }
        }

        return $fittings;
    }

    /**
     * What tells the fittings of one end apart: the leg's label.
     *
     * @return array<string, string> by fitting
     */
    private static function tags(Assembly $assembly, Loaded $loaded): array
    {
        $tags = [];
        foreach ($assembly->runs as $id) {
            $run = $loaded->installation->runs[$id];
            foreach ([$run->a, $run->b] as $end) {
                foreach (count($end->legs) > 1 ? $end->legs : [] as $leg) {
                    $tags[$leg->landing->fitting ?? ''] = $leg->label;
                }
            }
        }

        return $tags;
    }

    /** @return list<string> */
    private static function cautions(Assembly $assembly, Loaded $loaded): array
    {
        $mains = false;
        foreach ($assembly->runs as $id) {
            $cable = $loaded->installation->catalogue->cables[$loaded->installation->runs[$id]->cable] ?? null;
            foreach ($cable?->conductors() ?? [] as $conductor) {
                $mains = $mains || $conductor->domain->value === 'mains';
            }
        }

        return $mains ? [
            'Mains: disconnect and prove dead at both ends before you touch a contact.',
            'This map proves neither insulation nor earth resistance: a licensed person does that under local code before it is energised.',
        ] : [];
    }
}
