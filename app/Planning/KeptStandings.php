<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use OutOfBoundsException;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Later\Handover\Standings;
use Sartal\Core\Proof\Record\Record;

/**
 * Where everything stands, kept until something is decided. What is recorded is read of the assemblies that it is
 * about: neither the installation nor its plan is, nor what was recorded on the others.
 */
final class KeptStandings
{
    /** s that others wait while one makes it. */
    private const PATIENCE = 120;

    /** So many assemblies are looked at again by everybody who asks, before somebody writes down what they found. */
    private const UNWRITTEN = 12;

    /** Into which facts are divided, so that whoever asks of one assembly does not read those of all. */
    private const PARTS = 64;

    /** Parts that are written down at once. */
    private const TOGETHER = 16;

    private const AT_WORK = 'standing at work';

    private ?StandingBook $book = null;

    private ?StandingRules $rules = null;

    /** @var ?array<int|string, string> by run */
    private ?array $assemblyOf = null;

    /** @var array<int, array<int|string, AssemblyFacts>> by part */
    private array $parts = [];

    /**
     * @param  Closure(): Loaded  $load  what it is read against, where it is not kept
     * @param  Closure(string): string  $of  decisions → what it is read against
     */
    private function __construct(
        private readonly StoredInstallation $stored,
        private readonly string $name,
        private readonly string $state,
        private readonly Closure $load,
        private readonly Closure $of,
    ) {
    }

    /**
     * As it is decided.
     *
     * @param  Closure(): Loaded  $load
     */
    public static function decided(StoredInstallation $stored, Closure $load): self
    {
        return $stored->release_id === null
            ? self::atWork($stored, $load)
            : self::inHand(
                $stored,
                'standing decided',
                static fn (string $decisions): string => Kept::state('decided', $decisions),
                $load,
            );
    }

    /**
     * As the shop works from it: from the release, where there is one.
     *
     * @param  Closure(): Loaded  $load
     */
    public static function atWork(StoredInstallation $stored, Closure $load): self
    {
        return self::inHand(
            $stored,
            self::AT_WORK,
            // What is released is judged with the instruments of today.
            static fn (string $decisions): string => Kept::state(
                'at work',
                $stored->release_id === null ? $decisions : $stored->edition(),
                $decisions,
            ),
            $load,
        );
    }

    /**
     * Whoever else asks in this request reads it once: it is some megabytes where there are thousands of runs.
     *
     * @param  Closure(string): string  $of  decisions → what it is read against
     * @param  Closure(): Loaded  $load
     */
    private static function inHand(StoredInstallation $stored, string $name, Closure $of, Closure $load): self
    {
        $app = app();
        $state = $of($stored->decisions);
        $key = implode(' ', [self::class, $stored->id, $name, $state]);
        if (! $app->bound($key)) {
            $app->instance($key, new self($stored, $name, $state, $load, $of));
            $app->terminating(static fn () => $app->forgetInstance($key));
        }
        $standings = $app->make($key);

        return $standings instanceof self ? $standings : new self($stored, $name, $state, $load, $of);
    }

    /** What it was read against: changes with what somebody decides, and with nothing that is recorded. */
    public function edition(): string
    {
        return $this->state;
    }

    /** @return array<int|string, AssemblyStanding> by assembly */
    public function all(): array
    {
        return $this->book()->standings;
    }

    /** @return array<int|string, RunStanding> by run */
    public function runs(): array
    {
        $runs = [];
        foreach ($this->all() as $standing) {
            $runs += $standing->runs;
        }

        return $runs;
    }

    /** Of the assembly that a run belongs to; null where there is no such run. */
    public function of(string $run): ?AssemblyStanding
    {
        $all = $this->all();
        $this->assemblyOf ??= self::assemblyOf($all);

        return $all[$this->assemblyOf[$run] ?? ''] ?? null;
    }

    /** What an assembly is read against. */
    public function facts(string $assembly): AssemblyFacts
    {
        $part = self::part($assembly);
        $this->parts[$part] ??= $this->keptPart($part) ?? $this->madePart($part);

        return $this->parts[$part][$assembly] ?? $this->factsNow($assembly);
    }

    public function rules(): StandingRules
    {
        return $this->rules ??= $this->keptRules() ?? self::rulesOf(($this->load)());
    }

    /** Made of all that was recorded, whatever is kept. */
    public function anew(): StandingBook
    {
        return $this->read(($this->load)(), static fn () => null);
    }

    private function book(): StandingBook
    {
        $this->book ??= $this->keptBook() ?? $this->made(fn (): ?StandingBook => $this->keptBook());

        return $this->book = $this->since($this->book);
    }

    /** @return array<int|string, AssemblyFacts> */
    private function madePart(int $part): array
    {
        $this->made(fn (): ?StandingBook => $this->keptPart($part) === null ? null : $this->keptBook());

        return $this->keptPart($part) ?? [];
    }

    /** Where somebody who works from other decisions keeps theirs under the same name. */
    private function factsNow(string $assembly): AssemblyFacts
    {
        $loaded = ($this->load)();
        $plan = $loaded->plan();

        return Standings::factsOn(
            $plan->assemblies[$assembly] ??
                throw new OutOfBoundsException(sprintf('There is no assembly "%s" here.', $assembly)),
            $loaded->installation,
            $plan,
            $plan->reliedOn(...),
        );
    }

    /** @param  Closure(): ?StandingBook  $there  what somebody else has made while one waited for it */
    private function made(Closure $there): StandingBook
    {
        return Kept::alone($this->stored, $this->name, self::PATIENCE, function () use ($there): StandingBook {
            $book = $there() ?? $this->brought();
            if ($book === null) {
                $loaded = ($this->load)();
                $bodies = [];
                $book = $this->read($loaded, function (string $part, array $facts) use (&$bodies): void {
                    $bodies[$this->name.$part] = serialize($facts);
                    if (count($bodies) === self::TOGETHER) {
                        Kept::putAll($this->stored, $bodies, $this->state);
                        $bodies = [];
                    }
                });
                $this->rules = self::rulesOf($loaded);
                $bodies[$this->name.' rules'] = serialize($this->rules);
                Kept::putAll($this->stored, $bodies, $this->state);
                $this->keep($book);
            }

            return $book;
        });
    }

    /** With what decisions about a few runs have made otherwise; null where it may be anything. */
    private function brought(): ?StandingBook
    {
        $kept = Kept::last($this->stored, $this->name);
        if ($kept === null) {
            return null;
        }
        $runs = Lineage::since($this->stored, fn (string $at): bool => ($this->of)($at) === $kept['state']);
        $book = self::unpacked($runs === null ? null : $kept['body']);
        if ($runs === null || ! $book instanceof StandingBook || ! $this->isOfToday($book)) {
            return null;
        }
        // By a release, everything is as it was released, whatever is decided since.
        $runs = $this->name === self::AT_WORK && $this->stored->release_id !== null ? [] : $runs;
        $facts = $runs === [] ? [] : $this->factsAround($runs);
        $assemblyOf = self::assemblyOf($book->standings);
        $gone = array_intersect_key($assemblyOf, array_flip($runs));
        foreach ($facts as $of) {
            $gone += array_intersect_key($assemblyOf, array_flip($of->runs()));
        }
        $now = array_diff_key($book->standings, array_flip($gone));
        $parts = array_unique(array_map(self::part(...), [...array_values($gone), ...array_map(strval(...), array_keys($facts))]));
        $bodies = [];
        foreach ($parts as $part) {
            $before = $this->partOf($part, $kept['state']);
            if ($before === null) {
                return null;
            }
            $bodies[$this->name.' '.$part] = array_diff_key($before, array_flip($gone)) +
                array_filter($facts, static fn (AssemblyFacts $of): bool => self::part($of->id) === $part);
        }
        $rules = self::unpacked(Kept::get($this->stored, $this->name.' rules', $kept['state']));
        if (! $rules instanceof StandingRules) {
            return null;
        }
        $events = $facts === [] ? new Record() : Touched::record($this->stored, array_merge(
            ...array_map(static fn (AssemblyFacts $of): array => $of->runs(), array_values($facts)),
        ));
        foreach ($facts as $id => $of) {
            $now[$id] = $rules->standings->of($of, $events);
        }
        ksort($now, SORT_STRING);
        // What was recorded after what the book knows of is read once more.
        $seen = array_fill_keys(array_keys($facts), $book->last) + array_diff_key($book->seen, array_flip($gone));
        $new = new StandingBook($book->last, $book->record, $now, $seen);
        $names = array_map(fn (int $part): string => $this->name.' '.$part, range(0, self::PARTS - 1));
        Kept::bring($this->stored, [...$names, $this->name.' rules'], $kept['state'], $this->state);
        Kept::putAll($this->stored, array_map(serialize(...), $bodies), $this->state);
        $this->keep($new);

        return $new;
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, AssemblyFacts> of assemblies that they belong to, by assembly
     */
    private function factsAround(array $runs): array
    {
        $loaded = app(Near::class)->runs($this->stored, $runs);
        $plan = $loaded->plan();
        $facts = [];
        foreach ($runs as $run) {
            $id = $plan->assemblyOf[$run] ?? null;
            if ($id !== null) {
                $facts[$id] ??= Standings::factsOn(
                    $plan->assemblies[$id],
                    $loaded->installation,
                    $plan,
                    $plan->reliedOn(...),
                );
            }
        }

        return $facts;
    }

    private static function rulesOf(Loaded $loaded): StandingRules
    {
        return new StandingRules(Standings::in($loaded->installation), $loaded->instruments());
    }

    /**
     * Part by part: facts of thousands of runs are not in hand at once.
     *
     * @param  Closure(string, array<int|string, AssemblyFacts>): mixed  $take  each part, and what it is called
     */
    private function read(Loaded $loaded, Closure $take): StandingBook
    {
        // Rows before what they say: what comes in between is then seen twice rather than never.
        [$last, $record] = Touched::last($this->stored);
        $plan = $loaded->plan();
        $seen = Touched::all($this->stored, $plan->assemblyOf);

        return Uncollected::run(function () use ($loaded, $plan, $last, $record, $seen, $take): StandingBook {
            $in = $loaded->installation;
            $standings = Standings::in($in);
            $all = Recorded::milestones($this->stored);
            $parts = array_fill(0, self::PARTS, []);
            foreach ($plan->assemblies as $id => $assembly) {
                $parts[self::part((string) $id)][$id] = $assembly;
            }
            $now = array_fill_keys(array_keys($plan->assemblies), null);
            foreach ($parts as $part => $assemblies) {
                $facts = [];
                foreach ($assemblies as $id => $assembly) {
                    $facts[$id] = Standings::factsOn($assembly, $in, $plan, $plan->reliedOn(...));
                    $now[$id] = $standings->of($facts[$id], $all);
                }
                $take(' '.$part, $facts);
            }
            $loaded->prints->write();

            return new StandingBook($last, $record, array_filter($now), $seen);
        });
    }

    /**
     * @param  array<int|string, AssemblyStanding>  $standings
     * @return array<int|string, string> by run
     */
    private static function assemblyOf(array $standings): array
    {
        $assemblyOf = [];
        foreach ($standings as $standing) {
            $assemblyOf += array_fill_keys(array_keys($standing->runs), $standing->id);
        }

        return $assemblyOf;
    }

    private static function part(string $assembly): int
    {
        return crc32($assembly) % self::PARTS;
    }

    /** With what was recorded meanwhile. */
    private function since(StandingBook $book): StandingBook
    {
        [$last, $record] = Touched::last($this->stored);
        if ($last === $book->last && $record === $book->record) {
            return $book;
        }
        $assemblyOf = $this->assemblyOf ??= self::assemblyOf($book->standings);
        $touched = array_filter(
            Touched::since($this->stored, $book->last, $assemblyOf),
            static fn (int $row, int|string $id): bool => ($book->seen[$id] ?? 0) < $row,
            ARRAY_FILTER_USE_BOTH,
        );
        $now = $book->standings;
        if ($touched !== []) {
            $facts = [];
            foreach (array_keys($touched) as $id) {
                $facts[$id] = $this->facts((string) $id);
            }
            $runs = [];
            foreach ($facts as $of) {
                array_push($runs, ...$of->runs());
            }
            $events = Touched::record($this->stored, $runs);
            foreach ($facts as $id => $of) {
                $now[$id] = $this->rules()->standings->of($of, $events);
            }
        }
        $new = new StandingBook($last, $record, $now, $touched + $book->seen);
        if (count($touched) > self::UNWRITTEN || $touched === []) {
            $this->keep($new);
        }

        return $new;
    }

    private function keep(StandingBook $book): void
    {
        Kept::put($this->stored, $this->name, $this->state, serialize($book));
    }

    private function keptBook(): ?StandingBook
    {
        $book = self::unpacked(Kept::get($this->stored, $this->name, $this->state));

        // A database that was restored has the numbers of rows again, and other records under them.
        return $book instanceof StandingBook && $this->isOfToday($book) ? $book : null;
    }

    private function isOfToday(StandingBook $book): bool
    {
        return Touched::has($this->stored, $book->last, $book->record);
    }

    private function keptRules(): ?StandingRules
    {
        $rules = self::unpacked(Kept::get($this->stored, $this->name.' rules', $this->state));

        return $rules instanceof StandingRules ? $rules : null;
    }

    /** @return ?array<int|string, AssemblyFacts> */
    private function keptPart(int $part): ?array
    {
        return $this->partOf($part, $this->state);
    }

    /** @return ?array<int|string, AssemblyFacts> */
    private function partOf(int $part, string $state): ?array
    {
        $facts = self::unpacked(Kept::get($this->stored, $this->name.' '.$part, $state));
        if (! is_array($facts)) {
            return null;
        }

        return array_filter($facts, static fn (mixed $of): bool => $of instanceof AssemblyFacts);
    }

    private static function unpacked(?string $kept): mixed
    {
        return $kept === null ? null : Uncollected::run(static fn (): mixed => unserialize($kept));
    }
}
