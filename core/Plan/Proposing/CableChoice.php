<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\SignalType;

/**
 * The smallest cable that carries as many lines of a signal; the one that the house uses most for it where there are
 * several, else what is usual. Where cables of its kind carry one line each, and of leads: as many cables.
 */
final readonly class CableChoice
{
    /** Lines that a cable each is guessed for, at most. */
    private const MOST = 96;

    /** How far from what a signal wants a line may be: tolerances of types that are meant for each other. */
    private const MATCHED = 0.12;

    /** @var array<int|string, int> cable → runs of the house that carry the signal */
    private array $used;

    /** @var array<int|string, true> their families */
    private array $families;

    private Proposer $proposer;

    public function __construct(
        private Catalogue $catalogue,
        private SignalType $signal,
        private Habits $habits,
        private ?Usual $usual,
    ) {
        [$this->used, $this->families] = $habits->carriers($signal);
        $this->proposer = new Proposer($catalogue);
    }

    /**
     * @param  int  $count  lines
     *
     * @throws CannotPropose where there is no such cable, naming how many the largest carries
     */
    public function of(int $count): GuessedCable
    {
        $isApart = $this->habits->ofLeads || ($this->usual?->isApart === true && ! $this->isShared($count));
        $most = $isApart ? 0 : $this->most();
        // What carries no more than one line is laid as often as there are lines.
        $isEach = $count > 1 && ($isApart || $most === 1);
        $fit = $this->fit($isEach ? 1 : $count);
        if ($fit === [] || $count > self::MOST) {
            throw CannotPropose::unsaid('cable', (string) $count, $isEach
                ? sprintf('Say %d at most, and add the rest on another line.', self::MOST)
                : sprintf(
                    'The largest cable carries %d of %s. Say fewer, and add several runs.',
                    $most,
                    $this->signal->name,
                ));
        }

        return new GuessedCable(
            $fit[0],
            $isEach ? $count : 1,
            $this->because($fit[0], $isEach ? 1 : $count),
            ($fit[1] ?? null)->name ?? '',
        );
    }

    /** Whether a cable that is in use for such a signal carries as many. */
    private function isShared(int $count): bool
    {
        foreach ($this->choice() as $cable) {
            if (isset($this->used[$cable->id]) && $this->proposer->capacity($cable, $this->signal) >= $count) {
                return true;
            }
        }

        return false;
    }

    /** Lines that the largest cable carries, of those that the house would use. */
    private function most(): int
    {
        $carries = fn (CableType $cable): int => $this->proposer->capacity($cable, $this->signal);

        return max(0, ...array_map($carries, $this->choice()));
    }

    /** @return list<CableType> where the house has a kind of cable for such a signal, no other kind */
    private function choice(): array
    {
        return array_values(array_filter(
            $this->catalogue->cables(),
            fn (CableType $cable): bool => ! $cable->retired &&
                ($this->families === [] || isset($this->families[$cable->family])),
        ));
    }

    /** @return list<CableType> what would do, the best first */
    private function fit(int $count): array
    {
        $named = $this->named();
        $fit = $ranks = [];
        foreach ($this->choice() as $cable) {
            $capacity = $this->proposer->capacity($cable, $this->signal);
            if ($capacity >= $count && $this->isMatched($cable)) {
                $fit[$cable->id] = $cable;
                $ranks[$cable->id] = [
                    $named[$cable->id] ?? count($named),
                    $capacity,
                    -($this->used[$cable->id] ?? 0),
                    $cable->outerDiameter->nanometres,
                ];
            }
        }
        asort($ranks);

        return array_map(static fn (int|string $id): CableType => $fit[$id], array_keys($ranks));
    }

    private function because(CableType $cable, int $count): string
    {
        $runs = $this->used[$cable->id] ?? 0;

        return match (true) {
            $runs > 0 => sprintf('carries it on %d %s here', $runs, $runs === 1 ? 'run' : 'runs'),
            isset($this->named()[$cable->id]) => $this->usual->because ?? '',
            default => sprintf('the smallest that carries %d of %s', $count, $this->signal->name),
        };
    }

    /** @return array<int|string, int> place among those that are usual, by cable; none where the house has its own */
    private function named(): array
    {
        return $this->families === [] ? array_flip($this->usual->cables ?? []) : [];
    }

    private function isMatched(CableType $cable): bool
    {
        $wanted = $this->signal->impedance;
        $line = $cable->impedance('') ?? self::lineWithin($cable);

        return $wanted === null || ($line !== null && abs($line - $wanted) <= self::MATCHED * $wanted);
    }

    /** Of the first element that is a line. */
    private static function lineWithin(CableType $cable): ?float
    {
        foreach ($cable->construction->children as $child) {
            $line = $cable->impedance($child->key);
            if ($line !== null) {
                return $line;
            }
        }

        return null;
    }
}
