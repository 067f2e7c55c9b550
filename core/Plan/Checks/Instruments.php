<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Proof\Record\Event;

/**
 * The crew's instruments as records name them: by ids, whatever each is called
 * since. Records of earlier versions have names alone, and go by what is
 * called so today.
 */
final readonly class Instruments
{
    private const BETWEEN = ', ';

    /** @var array<int|string, Instrument> by id */
    private array $byId;

    /** @var array<int|string, Instrument> by name and by id */
    private array $byName;

    public function __construct(Installation $installation)
    {
        $byId = $byName = [];
        foreach ($installation->instruments() as $instrument) {
            $byId[$instrument->id] = $byName[$instrument->id] = $instrument;
        }
        foreach ($byId as $instrument) {
            $byName[$instrument->name] = $instrument;
        }
        [$this->byId, $this->byName] = [$byId, $byName];
    }

    /** @return list<string> ids of what somebody names, in that order; "" for what the crew does not have */
    public function ids(string $names): array
    {
        return $names === ''
            ? []
            : array_map(
                fn (string $name): string => ($this->byName[$name] ?? null)->id ?? '',
                explode(self::BETWEEN, $names),
            );
    }

    /** @return list<Instrument> that a test was taken with, of the crew's */
    public function of(Event $test): array
    {
        $ids = $test->with === [] ? $this->ids($test->instrument) : $test->with;

        return array_values(array_filter(array_map(fn (string $id): ?Instrument => $this->byId[$id] ?? null, $ids)));
    }

    /** What it was taken with, by the names of today; of what the crew does not have, as it was said. */
    public function named(Event $test): string
    {
        $names = [];
        foreach ($test->instrument === '' ? [] : explode(self::BETWEEN, $test->instrument) as $i => $name) {
            $names[] = ($this->byId[$test->with[$i] ?? ''] ?? null)->name ?? $name;
        }

        return implode(self::BETWEEN, $names);
    }
}
