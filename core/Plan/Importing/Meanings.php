<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Importing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Proposing\CableChoice;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Habits;
use Sartal\Core\Plan\Proposing\RunHabit;
use Sartal\Core\Plan\Proposing\Usuals;
use Sartal\Core\Plan\Proposing\Words;

/**
 * Takes what people write in their spreadsheets for what an installation has: as it is written, else by likeness, and
 * of several that are equally like the one that is used most. Cable, connectors and supply of mains are found as they
 * are written or not at all: whoever joins mains chooses what is joined.
 */
final class Meanings
{
    /** Two that are nearer than this are equally like. */
    private const SAME = 0.02;

    /** Others that are told, and how like they have to be. */
    private const INSTEAD = 3;

    private const LEAST = 0.25;

    /** @var array<string, array<int|string, string>> kind → id → name */
    private array $names = [];

    /** @var array<string, array<int|string, string>> kind → name as it is compared → id */
    private array $written = [];

    /** @var array<string, WordLikeness> */
    private array $likeness = [];

    /** @var ?list<RunHabit> */
    private ?array $runs = null;

    /** @var array<string, array<int|string, Meant>> */
    private array $known = [];

    /**
     * @param  array<int|string, string>  $trade  word → the word for it here, both in lower case
     * @param  Usuals  $usuals  what is usual where the installation has no habit yet
     */
    public function __construct(
        private readonly Installation $in,
        private readonly array $trade = [],
        private readonly Usuals $usuals = new Usuals(),
    ) {
    }

    /** @return array<int|string, string> id → name, of everything of a kind */
    public function names(Kind $kind): array
    {
        return $this->names[$kind->value] ??= match ($kind) {
            Kind::Cable => self::named($this->in->catalogue->cables()),
            Kind::Signal => self::named($this->in->catalogue->signals()),
            Kind::Place => self::named($this->in->locations()),
            Kind::Plan => self::named($this->in->catalogue->plans()),
            Kind::Way => self::named($this->in->ways()),
            Kind::Loom => self::named($this->in->looms()),
            Kind::Device => self::named($this->in->equipment()),
            Kind::Build => array_column(Build::cases(), 'value', 'value'),
        };
    }

    public function of(Kind $kind, string $said): Meant
    {
        return $this->known[$kind->value][$said] ??=
            isset($this->names($kind)[$said]) ? new Meant($said) : $this->byName($kind, $said);
    }

    private function byName(Kind $kind, string $said): Meant
    {
        $id = $this->written($kind)[self::plain($said)] ?? null;

        return $id !== null ? new Meant((string) $id) : $this->byLikeness($kind, $said);
    }

    /** @return array<int|string, string> */
    private function written(Kind $kind): array
    {
        if (! isset($this->written[$kind->value])) {
            $ids = [];
            foreach ($this->names($kind) as $id => $name) {
                $ids[self::plain($name)][] = (string) $id;
            }
            // A name that several have says none of them.
            $clear = array_filter($ids, static fn (array $each): bool => count($each) === 1);
            $this->written[$kind->value] = array_map(static fn (array $each): string => $each[0], $clear);
        }

        return $this->written[$kind->value];
    }

    private function byLikeness(Kind $kind, string $said): Meant
    {
        $like = ($this->likeness[$kind->value] ??= $this->likeness($kind))->of($said);
        if ($kind === Kind::Place) {
            return $this->byDevice($said, $like);
        }
        $best = (string) array_key_first($like);
        $most = $like[$best] ?? 0.0;
        $same = array_filter($like, static fn (float $score): bool => $most - $score < self::SAME);
        $instead = self::instead($like);
        if ($most < $kind->enough()) {
            return $this->bySignal($kind, $said) ?? new Meant('', instead: $instead);
        }
        $because = 'the words they share';
        if (count($same) > 1) {
            [$best, $because] = $this->preferred($kind, Names::from($same));
            if ($best === '') {
                return new Meant('', instead: $instead);
            }
        }

        return new Meant($best, $because, array_values(array_diff($instead, [$best])));
    }

    /**
     * Of several that are equally like: the one that most runs have; of those that none has, the one that is usual.
     *
     * @param  list<string>  $ids
     * @return array{string, string} which, and why; "" where neither says one alone
     */
    private function preferred(Kind $kind, array $ids): array
    {
        $used = array_intersect_key($this->used($kind), array_flip($ids));
        $most = $used === [] ? [] : array_keys($used, max($used), true);
        if (count($most) === 1) {
            return [(string) $most[0], sprintf('of %d equally like it, the one that most runs here have', count($ids))];
        }
        $usual = $most === [] ? array_values(array_intersect($ids, $this->usuals->types())) : [];

        return count($usual) === 1
            ? [$usual[0], sprintf('of %d equally like it, the one that is usual', count($ids))]
            : ['', ''];
    }

    /** A cable that is called by what it carries, such as "mic cable": as one line of words would choose it. */
    private function bySignal(Kind $kind, string $said): ?Meant
    {
        $bare = trim((string) preg_replace('~\b(cables?|leads?|lines?|wires?)\b~iu', '', $said));
        $signal = $kind === Kind::Cable && $bare !== '' ? $this->of(Kind::Signal, $bare)->id : '';
        $there = $this->in->catalogue->signal($signal);
        if ($there === null || $there->domain === HazardDomain::Mains) {
            return null;
        }
        $catalogue = $this->in->catalogue;
        $usual = $this->usuals->of($there, false, Words::split($bare));
        try {
            $guess = (new CableChoice($catalogue, $there, new Habits($catalogue, $this->runs()), $usual))->of(1);
        } catch (CannotPropose) {
            return null;
        }

        return $this->isChosen($kind, $guess->cable->id)
            ? null
            : new Meant($guess->cable->id, sprintf('for %s: %s', $there->name, $guess->because));
    }

    /**
     * A place, or where a device of that name stands.
     *
     * @param  array<int|string, float>  $like  places
     */
    private function byDevice(string $said, array $like): Meant
    {
        $best = (string) array_key_first($like);
        $scores = array_values($like);
        $isClear = $scores !== [] && $scores[0] >= Kind::Place->enough() &&
            ($scores[0] - ($scores[1] ?? 0.0)) >= self::SAME;
        $instead = self::instead($like);
        $device = $this->of(Kind::Device, $said);
        $at = $this->in->device($device->id);
        if ($at !== null && ($device->isWritten() || ! $isClear)) {
            return new Meant($at->location, sprintf('%s stands there', $at->name), $instead);
        }

        return $isClear
            ? new Meant($best, 'the words they share', array_values(array_diff($instead, [$best])))
            : new Meant('', instead: $instead);
    }

    /**
     * @param  array<int|string, float>  $like
     * @return list<string>
     */
    private static function instead(array $like): array
    {
        $some = array_filter($like, static fn (float $score): bool => $score >= self::LEAST);

        return array_map(strval(...), array_slice(array_keys($some), 0, self::INSTEAD));
    }

    /** Of everything of a kind that may be guessed: nothing of mains that would be joined, nothing retired. */
    private function likeness(Kind $kind): WordLikeness
    {
        $names = array_filter(
            $this->names($kind),
            fn (int|string $id): bool => ! $this->isChosen($kind, $id),
            ARRAY_FILTER_USE_KEY,
        );
        $also = [];
        foreach (array_keys($names) as $id) {
            $also[$id] = match ($kind) {
                Kind::Signal => implode(' ', $this->in->catalogue->theSignal($id)->words).' '.$id,
                Kind::Plan => $this->connector((string) $id).' '.$id,
                default => (string) $id,
            };
        }

        return new WordLikeness($names, $also, $this->trade);
    }

    /** Whether it is found as it is written or not at all. */
    private function isChosen(Kind $kind, int|string $id): bool
    {
        $catalogue = $this->in->catalogue;
        if ($kind === Kind::Signal) {
            return $catalogue->theSignal($id)->domain === HazardDomain::Mains;
        }
        if ($kind === Kind::Cable) {
            return self::hasMains($catalogue->theCable($id));
        }
        if ($kind !== Kind::Plan) {
            return false;
        }
        $plan = $catalogue->theContactPlan($id);

        return $plan->retired || $catalogue->connector($plan->connector)?->domain === HazardDomain::Mains;
    }

    private static function hasMains(CableType $cable): bool
    {
        return array_filter(
            $cable->conductors(),
            static fn (Conductor $each): bool => $each->domain === HazardDomain::Mains,
        ) !== [];
    }

    private function connector(string $plan): string
    {
        $connector = $this->in->catalogue->theContactPlan($plan)->connector;

        return $this->in->catalogue->connector($connector)->name ?? '';
    }

    /** @return list<RunHabit> */
    private function runs(): array
    {
        return $this->runs ??= array_values(RunHabit::in($this->in));
    }

    /** @return array<int|string, int> id → runs that have it */
    private function used(Kind $kind): array
    {
        $used = [];
        foreach ($this->runs() as $run) {
            $has = match ($kind) {
                Kind::Cable => [$run->cable],
                Kind::Signal => $run->signals,
                Kind::Plan => array_unique([$run->a->plan ?? '', $run->b->plan ?? '']),
                default => [],
            };
            foreach ($has as $id) {
                $used[$id] = ($used[$id] ?? 0) + 1;
            }
        }

        return $used;
    }

    /** As names are compared: without capitals, blanks at either end or more than one between. */
    public static function plain(string $text): string
    {
        return (string) preg_replace('~\s+~u', ' ', mb_strtolower(trim($text)));
    }

    /**
     * @param  array<int|string, object{id: string, name: string}>  $things
     * @return array<int|string, string>
     */
    private static function named(array $things): array
    {
        return array_map(static fn (object $each): string => $each->name, $things);
    }
}
