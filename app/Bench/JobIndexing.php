<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Ascending;

/** An index while it is made, job after job. */
final class JobIndexing
{
    /** @var array<int|string, int> */
    private array $seen = [];

    /** @var array<int|string, string> */
    private array $assemblyOf = [];

    /** @var array<int|string, true> */
    private array $tools = [];

    /** @var array<int|string, list<list<float>>> */
    private array $took = [];

    private JobTally $tally;

    public function __construct()
    {
        $this->tally = new JobTally();
    }

    public function add(JobMade $job): void
    {
        $this->seen[$job->line->id] = $job->line->seen;
        $this->assemblyOf += array_fill_keys($job->line->runs, $job->line->id);
        $this->tools += array_fill_keys($job->past->tools, true);
        foreach ($job->past->took as $pace => $minutes) {
            $this->took[$pace][] = $minutes;
        }
        $this->tally = $this->tally->exchanging(new JobTally(), $job->past->tally);
    }

    /**
     * @param  int  $last  row of the last record that it knows of; 0: there was none
     * @param  string  $record  its id
     */
    public function of(int $last, string $record): JobIndex
    {
        $tools = array_map(strval(...), array_keys($this->tools));
        sort($tools);

        return new JobIndex(
            $last,
            $record,
            $this->seen,
            $this->assemblyOf,
            $tools,
            array_map(static fn (array $lists): Ascending => Ascending::of(array_merge(...$lists)), $this->took),
            $this->tally,
        );
    }
}
