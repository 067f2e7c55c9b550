<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Work\Bench\Skill;

/** What one job comes to, small enough to keep of every job: lists need no more of it. */
final readonly class KeptJob
{
    /**
     * @param  string  $id  its assembly
     * @param  list<string>  $runs
     * @param  int  $seen  row of the last record on its own runs; 0: there is none
     * @param  string  $made  print of what its steps follow from
     * @param  JobFacts  $facts  what does not change while it is worked
     * @param  list<Bead>  $strand  of its first run
     * @param  ?string  $hold  why it is stopped; null: it is not
     * @param  int  $questions  that nobody answered
     * @param  list<value-of<Skill>>  $skills  that what is left takes
     * @param  array<int|string, Yielded>  $yields  family of connectors → what came of the looks
     * @param  list<string>  $overtaken  runs of which steps were done that are other ones now
     */
    public function __construct(
        public string $id,
        public array $runs,
        public int $seen,
        public string $made,
        public JobFacts $facts,
        public array $strand,
        public int $settled,
        public bool $done,
        public string $next,
        public string $where,
        public ?string $hold,
        public int $questions,
        public Amounts $left,
        public array $skills,
        public array $yields,
        public array $overtaken,
    ) {
    }

    /** @return array<string, mixed> by field */
    public function __serialize(): array
    {
        return ['strand' => Bead::written($this->strand)] + get_object_vars($this);
    }

    /** @param  array<string, mixed>  $data  by field */
    public function __unserialize(array $data): void
    {
        foreach ($data as $field => $value) {
            $this->{$field} = $field === 'strand' ? Bead::strand($value) : $value;
        }
    }
}
