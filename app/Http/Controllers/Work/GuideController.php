<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Plan\Planning\Stage;

/** How far an installation has come, for somebody who is led through the work for the first time. */
final readonly class GuideController
{
    public function __construct(private InstallationStore $store)
    {
    }

    /**
     * "between": what the first line could be written about; "make" and "test": the next run of each.
     *
     * @return Answer<array{
     *     places: int,
     *     ways: int,
     *     runs: int,
     *     cut: int,
     *     made: int,
     *     tested: int,
     *     between: list<string>,
     *     make: string|null,
     *     test: string|null,
     * }>
     */
    public function __invoke(StoredInstallation $stored): Answer
    {
        $places = $this->of($stored, DecisionKind::Location);
        $ways = $this->of($stored, DecisionKind::Way);
        $keys = $stored->runs()->where('withdrawn', false)->orderBy('id')->pluck('key')->map(strval(...))->all();
        $runs = $keys === []
            ? []
            : KeptStandings::atWork($stored, fn (): Loaded => $this->store->atWork($stored))->runs();
        $cut = $made = $tested = 0;
        $make = $test = null;
        foreach ($keys as $key) {
            $run = $runs[$key] ?? null;
            if (! $run instanceof RunStanding) {
                continue;
            }
            $isMade = $run->isDone(Stage::EndA) && $run->isDone(Stage::EndB);
            $isTested = $isMade && $run->isDone(Stage::Test);
            $cut += (int) $run->isDone(Stage::Cut);
            $made += (int) $isMade;
            $tested += (int) $isTested;
            $make ??= $isMade ? null : $key;
            $test ??= $isMade && ! $isTested ? $key : null;
        }

        return new Answer([
            'places' => count($places),
            'ways' => count($ways),
            'runs' => count($keys),
            'cut' => $cut,
            'made' => $made,
            'tested' => $tested,
            'between' => self::between($places, $ways),
            'make' => $make,
            'test' => $test,
        ]);
    }

    /** @return array<int|string, array<array-key, mixed>> what was decided, by id, as it was written one by one */
    private function of(StoredInstallation $stored, DecisionKind $kind): array
    {
        $found = [];
        $entries = $stored->entries()->where('kind', $kind->value);
        foreach ($entries->get(['key', 'definition']) as $entry) {
            $found[$entry->key] = $entry->definition;
        }

        return $found;
    }

    /**
     * @param  array<int|string, array<array-key, mixed>>  $places
     * @param  array<int|string, array<array-key, mixed>>  $ways
     * @return list<string> names of two places, with a way from one to the other where there is one
     */
    private static function between(array $places, array $ways): array
    {
        $name = static fn (array $place): string => is_string($place['name'] ?? null) ? $place['name'] : '';
        foreach ($ways as $way) {
            [$from, $to] = [$places[$way['from'] ?? ''] ?? null, $places[$way['to'] ?? ''] ?? null];
            if ($from !== null && $to !== null && $from !== $to) {
                return [$name($from), $name($to)];
            }
        }

        return array_map($name, array_values(array_slice($places, 0, 2)));
    }
}
