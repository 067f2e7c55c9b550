<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Later\Handover\AssemblyFacts;

/** Up to which record it is known where everything stands, and which assembly each run belongs to. */
final readonly class StandingBook
{
    /**
     * @param  int  $last  row of the last record that it knows of
     * @param  string  $record  id of that
     * @param  array<int|string, int>  $seen  assembly → row of the last record on it that it knows of
     * @param  array<int|string, string>  $assemblyOf  by run
     */
    public function __construct(public int $last, public string $record, public array $seen, public array $assemblyOf)
    {
    }

    /** @param  array<int|string, int>  $touched  assembly → row of the last record on it */
    public function after(int $last, string $record, array $touched): self
    {
        return new self($last, $record, $touched + $this->seen, $this->assemblyOf);
    }

    /**
     * @param  list<string>  $runs  that belong to something else since, or to nothing
     * @return list<string> assemblies that are no longer what they were
     */
    public function of(array $runs): array
    {
        return array_values(array_unique(array_intersect_key($this->assemblyOf, array_flip($runs))));
    }

    /**
     * @param  list<string>  $gone  assemblies that are no longer what they were
     * @param  array<int|string, AssemblyFacts>  $come  what there is in their place
     */
    public function with(array $gone, array $come): self
    {
        $gone = array_flip($gone);
        $seen = array_diff_key($this->seen, $gone);
        $assemblyOf = array_filter($this->assemblyOf, static fn (string $of): bool => ! isset($gone[$of]));
        foreach ($come as $id => $facts) {
            $assemblyOf = array_fill_keys($facts->runs(), (string) $id) + $assemblyOf;
            // What was recorded after what is known of all is read once more.
            $seen[$id] = $this->last;
        }

        return new self($this->last, $this->record, $seen, $assemblyOf);
    }
}
