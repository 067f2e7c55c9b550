<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Handover\AssemblyStanding;

/** Where it is kept where everything stands: in parts, so that whoever asks of one assembly does not read all. */
final readonly class StandingShelf
{
    /** Into which assemblies are divided. */
    private const PARTS = 64;

    /** Parts that are written at once. */
    public const TOGETHER = 16;

    /** Parts that are read at once. */
    private const READ = 32;

    public function __construct(private StoredInstallation $stored, private string $name)
    {
    }

    public static function part(string $assembly): int
    {
        return crc32($assembly) % self::PARTS;
    }

    /** @return list<int> */
    public static function parts(): array
    {
        return range(0, self::PARTS - 1);
    }

    /** @return ?StandingBook null where there is none of this state, or one of a record that is not this one's */
    public function book(string $state): ?StandingBook
    {
        return $this->ofToday(Kept::get($this->stored, $this->name, $state));
    }

    /** @return ?array{string, StandingBook} what was kept last, of whatever decisions, and its state */
    public function last(): ?array
    {
        $kept = Kept::last($this->stored, $this->name);
        $book = $kept === null ? null : $this->ofToday($kept['body']);

        return $kept === null || $book === null ? null : [$kept['state'], $book];
    }

    public function rules(string $state): ?StandingRules
    {
        $rules = self::unpacked(Kept::get($this->stored, $this->name.' rules', $state));

        return $rules instanceof StandingRules ? $rules : null;
    }

    /** @return ?array<int|string, AssemblyFacts> of one part, by assembly */
    public function facts(int $part, string $state): ?array
    {
        $facts = self::unpacked(Kept::get($this->stored, $this->name.' '.$part, $state));

        return is_array($facts)
            ? array_filter($facts, static fn (mixed $of): bool => $of instanceof AssemblyFacts)
            : null;
    }

    /**
     * @param  list<int>  $parts
     * @return array<int, array<int|string, AssemblyStanding>> those of them that are kept, by part and assembly
     */
    public function standings(array $parts, string $state): array
    {
        $found = [];
        foreach (array_chunk($parts, self::READ) as $some) {
            $names = array_map($this->now(...), $some);
            $bodies = Kept::all($this->stored, $names, $state);
            foreach ($some as $i => $part) {
                if (! isset($bodies[$names[$i]])) {
                    continue;
                }
                $standings = self::unpacked($bodies[$names[$i]]);
                $found[$part] = array_filter(
                    is_array($standings) ? $standings : [],
                    static fn (mixed $of): bool => $of instanceof AssemblyStanding,
                );
            }
        }

        return $found;
    }

    /**
     * @param  array<int, array<int|string, AssemblyFacts>>  $facts  by part
     * @param  array<int, array<int|string, AssemblyStanding>>  $standings  by part
     */
    public function put(
        string $state,
        array $facts,
        array $standings,
        ?StandingRules $rules = null,
        ?StandingBook $book = null,
    ): void {
        $bodies = $rules === null ? [] : [$this->name.' rules' => serialize($rules)];
        foreach ($facts as $part => $of) {
            $bodies[$this->name.' '.$part] = serialize($of);
        }
        foreach ($standings as $part => $of) {
            $bodies[$this->now($part)] = serialize($of);
        }
        $bodies += $book === null ? [] : [$this->name => serialize($book)];
        Kept::putAll($this->stored, $bodies, $state);
    }

    /**
     * Unless somebody else has written another book meanwhile: what they wrote of a part knows more, or else.
     *
     * @param  StandingBook  $before  as it was read
     * @param  array<int, array<int|string, AssemblyStanding>>  $standings  by part
     */
    public function replace(string $state, StandingBook $before, array $standings, StandingBook $book): void
    {
        $bodies = [$this->name => serialize($book)];
        foreach ($standings as $part => $of) {
            $bodies[$this->now($part)] = serialize($of);
        }
        Kept::replace($this->stored, $this->name, $state, serialize($before), $bodies);
    }

    /** What is not written anew is as it was. */
    public function bring(string $was, string $state): void
    {
        $names = [$this->name.' rules'];
        foreach (self::parts() as $part) {
            array_push($names, $this->name.' '.$part, $this->now($part));
        }
        Kept::bring($this->stored, $names, $was, $state);
    }

    private function now(int $part): string
    {
        return $this->name.' now '.$part;
    }

    /** A database that was restored has the numbers of rows again, and other records under them. */
    private function ofToday(?string $kept): ?StandingBook
    {
        $book = self::unpacked($kept);

        return $book instanceof StandingBook && Touched::has($this->stored, $book->last, $book->record) ? $book : null;
    }

    private static function unpacked(?string $kept): mixed
    {
        return $kept === null ? null : Uncollected::run(static fn (): mixed => unserialize($kept));
    }
}
