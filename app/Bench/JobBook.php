<?php

declare(strict_types=1);

namespace App\Bench;

/** Every job as it is kept, and the last record that it knows of. */
final readonly class JobBook
{
    /**
     * @param  int  $last  row of that record; 0: there was none
     * @param  string  $record  its id: a database that was restored repeats numbers, and records never
     * @param  array<int|string, KeptJob>  $jobs  by assembly, in their order
     */
    public function __construct(public int $last, public string $record, public array $jobs)
    {
    }

    /** @return array<int|string, list<float>> pace → min for one */
    public function took(): array
    {
        $took = [];
        foreach ($this->jobs as $job) {
            foreach ($job->took as $pace => $minutes) {
                $took[$pace][] = $minutes;
            }
        }

        return array_map(static fn (array $lists): array => array_merge(...$lists), $took);
    }
}
