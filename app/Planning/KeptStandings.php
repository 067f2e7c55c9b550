<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use OutOfBoundsException;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Later\Handover\Standings;

/**
 * Where everything stands, kept until something is decided. What is recorded is read of the assemblies that it is
 * about: neither the installation nor its plan is, nor what was recorded on the others; and after a decision about a
 * few runs those alone are looked at.
 */
final class KeptStandings
{
    private const AT_WORK = 'standing at work';

    private const DECIDED = 'standing decided';

    /** s that others wait while one makes it. */
    private const PATIENCE = 120;

    /** So many assemblies are looked at again by everybody who asks, before somebody writes down what they found. */
    private const UNWRITTEN = 12;

    private readonly StandingShelf $shelf;

    private readonly string $state;

    private ?StandingBook $book = null;

    private ?StandingRules $rules = null;

    /** @var array<int, array<int|string, AssemblyFacts>> by part */
    private array $facts = [];

    /** @var array<int, array<int|string, AssemblyStanding>> by part, as they are kept */
    private array $standings = [];

    /** @var array<int|string, AssemblyStanding> with what was recorded since, by assembly */
    private array $fresh = [];

    /**
     * @param  Closure(): Loaded  $load  what it is read against, where it is not kept
     * @param  Closure(string): string  $of  decisions → what it is read against
     */
    private function __construct(
        private readonly StoredInstallation $stored,
        private readonly string $name,
        private readonly Closure $load,
        private readonly Closure $of,
    ) {
        $this->state = $of($stored->decisions);
        $this->shelf = new StandingShelf($stored, $name);
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
                self::DECIDED,
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
     * Whoever else asks in this request reads it once.
     *
     * @param  Closure(string): string  $of  decisions → what it is read against
     * @param  Closure(): Loaded  $load
     */
    private static function inHand(StoredInstallation $stored, string $name, Closure $of, Closure $load): self
    {
        $app = app();
        $key = implode(' ', [self::class, $stored->id, $name, $of($stored->decisions)]);
        if (! $app->bound($key)) {
            $app->instance($key, new self($stored, $name, $load, $of));
            $app->terminating(static fn () => $app->forgetInstance($key));
        }
        $standings = $app->make($key);

        return $standings instanceof self ? $standings : new self($stored, $name, $load, $of);
    }

    /** What it was read against: changes with what somebody decides, and with nothing that is recorded. */
    public function edition(): string
    {
        return $this->state;
    }

    /** @return array<int|string, AssemblyStanding> by assembly */
    public function all(): array
    {
        $this->book();
        $missing = array_values(array_diff(StandingShelf::parts(), array_keys($this->standings)));
        $this->standings += $this->shelf->standings($missing, $this->state);
        $all = [];
        foreach ($this->standings as $part) {
            $all += $part;
        }
        $all = $this->fresh + $all;
        ksort($all, SORT_STRING);

        return $all;
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
        $assembly = $this->book()->assemblyOf[$run] ?? null;

        return $assembly === null ? null : $this->fresh[$assembly] ?? ($this->part($assembly)[$assembly] ?? null);
    }

    /**
     * @param  list<string>  $runs  of which something may be otherwise
     * @param  int  $row  of a record: what came in after it is looked at
     * @return list<string> those, and all about whose assemblies something was recorded since
     */
    public function news(array $runs, int $row): array
    {
        $book = $this->book();
        $assemblies = array_flip([...$book->of($runs), ...Touched::lately($this->stored, $row, $book->assemblyOf)]);
        $of = array_filter($book->assemblyOf, static fn (string $each): bool => isset($assemblies[$each]));

        return array_values(array_unique([...$runs, ...array_map(strval(...), array_keys($of))]));
    }

    /** What an assembly is read against. */
    public function facts(string $assembly): AssemblyFacts
    {
        $part = StandingShelf::part($assembly);
        $this->facts[$part] ??= $this->shelf->facts($part, $this->state) ?? $this->madeFacts($part);

        return $this->facts[$part][$assembly] ?? $this->factsNow($assembly);
    }

    public function rules(): StandingRules
    {
        return $this->rules ??= $this->shelf->rules($this->state) ?? self::rulesOf(($this->load)());
    }

    private function book(): StandingBook
    {
        $this->book ??= $this->shelf->book($this->state) ??
            $this->made(fn (): ?StandingBook => $this->shelf->book($this->state));

        return $this->book = $this->since($this->book);
    }

    /** @return array<int|string, AssemblyStanding> of the part that an assembly is in, as it is kept */
    private function part(string $assembly): array
    {
        $part = StandingShelf::part($assembly);
        $this->standings += $this->shelf->standings(isset($this->standings[$part]) ? [] : [$part], $this->state);

        return $this->standings[$part] ?? [];
    }

    /** @return array<int|string, AssemblyFacts> */
    private function madeFacts(int $part): array
    {
        $this->made(
            fn (): ?StandingBook => $this->shelf->facts($part, $this->state) === null
                ? null
                : $this->shelf->book($this->state),
        );

        return $this->shelf->facts($part, $this->state) ?? [];
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
        return Kept::alone(
            $this->stored,
            $this->name,
            self::PATIENCE,
            fn (): StandingBook => $there() ?? ($this->brought() ?? $this->read(($this->load)())),
        );
    }

    private static function rulesOf(Loaded $loaded): StandingRules
    {
        return new StandingRules(Standings::in($loaded->installation), $loaded->instruments());
    }

    /** Part by part: facts of thousands of runs are not in hand at once. */
    private function read(Loaded $loaded): StandingBook
    {
        // Rows before what they say: what comes in between is then seen twice rather than never.
        [$last, $record] = Touched::last($this->stored);
        $plan = $loaded->plan();
        $seen = Touched::all($this->stored, $plan->assemblyOf);
        $book = new StandingBook($last, $record, $seen, $plan->assemblyOf);

        return Uncollected::run(function () use ($loaded, $plan, $book): StandingBook {
            $rules = $this->rules = self::rulesOf($loaded);
            $all = Recorded::milestones($this->stored);
            $parts = array_fill_keys(StandingShelf::parts(), []);
            foreach ($plan->assemblies as $id => $assembly) {
                $parts[StandingShelf::part((string) $id)][$id] = $assembly;
            }
            foreach (array_chunk($parts, StandingShelf::TOGETHER, true) as $some) {
                $facts = $now = [];
                foreach ($some as $part => $assemblies) {
                    $facts[$part] = array_map(
                        static fn (Assembly $assembly): AssemblyFacts => Standings::factsOn(
                            $assembly,
                            $loaded->installation,
                            $plan,
                            $plan->reliedOn(...),
                        ),
                        $assemblies,
                    );
                    $now[$part] = array_map(
                        static fn (AssemblyFacts $of): AssemblyStanding => $rules->standings->of($of, $all),
                        $facts[$part],
                    );
                }
                $this->shelf->put($this->state, $facts, $now);
            }
            $loaded->prints->write();
            $this->shelf->put($this->state, [], [], $rules, $book);

            return $book;
        });
    }

    /** With what decisions about a few runs have made otherwise; null where that may be anything. */
    private function brought(): ?StandingBook
    {
        [$was, $book] = $this->shelf->last() ?? ['', null];
        $runs = $book === null
            ? null
            : Lineage::since($this->stored, fn (string $at): bool => ($this->of)($at) === $was);
        $rules = $runs === null ? null : $this->shelf->rules($was);
        if ($book === null || $runs === null || $rules === null) {
            return null;
        }
        // By a release, everything is as it was released, whatever is decided since.
        $runs = $this->name === self::AT_WORK && $this->stored->release_id !== null ? [] : $runs;
        $come = $runs === [] ? [] : $this->factsAround($runs);
        $members = array_merge(...array_map(static fn (AssemblyFacts $of): array => $of->runs(), array_values($come)));
        $gone = $book->of([...$runs, ...$members]);
        $events = Touched::record($this->stored, $members);
        $facts = $standings = [];
        foreach ([...$gone, ...array_map(strval(...), array_keys($come))] as $id) {
            $part = StandingShelf::part($id);
            $before = $facts[$part] ?? $this->shelf->facts($part, $was);
            $stood = $standings[$part] ?? ($this->shelf->standings([$part], $was)[$part] ?? null);
            if ($before === null || $stood === null) {
                return null;
            }
            [$facts[$part], $standings[$part]] = [$before, $stood];
            unset($facts[$part][$id], $standings[$part][$id]);
            if (isset($come[$id])) {
                $facts[$part][$id] = $come[$id];
                $standings[$part][$id] = $rules->standings->of($come[$id], $events);
            }
        }
        $this->shelf->bring($was, $this->state);
        $this->shelf->put($this->state, $facts, $standings, book: $new = $book->with($gone, $come));

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

    /** With what was recorded meanwhile. */
    private function since(StandingBook $book): StandingBook
    {
        [$last, $record] = Touched::last($this->stored);
        if ($last === $book->last && $record === $book->record) {
            return $book;
        }
        $touched = array_filter(
            Touched::since($this->stored, $book->last, $book->assemblyOf),
            static fn (int $row, int|string $id): bool => ($book->seen[$id] ?? 0) < $row,
            ARRAY_FILTER_USE_BOTH,
        );
        if ($touched !== []) {
            $facts = [];
            foreach (array_keys($touched) as $id) {
                $facts[$id] = $this->facts((string) $id);
            }
            $runs = array_map(static fn (AssemblyFacts $of): array => $of->runs(), array_values($facts));
            $events = Touched::record($this->stored, array_merge(...$runs));
            foreach ($facts as $id => $of) {
                $this->fresh[$id] = $this->rules()->standings->of($of, $events);
            }
        }
        $new = $book->after($last, $record, $touched);
        if (count($touched) > self::UNWRITTEN || $touched === []) {
            $this->keep($book, $new);
        }

        return $new;
    }

    /** With what it knows besides since, unless somebody else has written down what they know. */
    private function keep(StandingBook $before, StandingBook $book): void
    {
        $standings = [];
        foreach ($this->fresh as $id => $of) {
            $part = StandingShelf::part((string) $id);
            $standings[$part] ??= $this->part((string) $id);
            $standings[$part][$id] = $of;
        }
        $this->standings = $standings + $this->standings;
        $this->shelf->replace($this->state, $before, $standings, $book);
    }
}
