<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;

/** One thing that one person does to a leg, an end, a fitting or a run. */
final readonly class Operation
{
    /** Phase from which on connectors sit on the cable. */
    public const JOINED = 1000;

    /**
     * @param  string  $id  stays while there is such a thing to do: events name it
     * @param  string  $run  whose record it is written to
     * @param  ?Side  $side  null where it is done to the whole run
     * @param  string  $fitting  fitting id; "" where none is concerned
     * @param  string  $leg  leg id; "" for the end itself
     * @param  string  $address  of the contact that is joined
     * @param  string  $place  where on the bench, as it is said: "M-202 end B, tail 7"
     * @param  string  $words  what to do
     * @param  ?Length  $at  the one dimension that matters
     * @param  list<BenchCore>  $cores
     * @param  list<string>  $cautions
     * @param  string  $why  on demand
     * @param  string  $pace  by which its time is known ({@see StandardTimes})
     * @param  int  $wait  s before what needs it may begin
     * @param  int  $phase  the order within an end; what is like and of one phase is done together
     * @param  string  $like  operations of one likeness are pieces of one step
     * @param  ?Joining  $joining  how its joints are made, where it has to do with joints
     * @param  list<string>  $with  further runs that it is done to, where several share a connector
     * @param  list<CutTo>  $lengths  where there are several
     * @param  list<Need>  $needs
     */
    public function __construct(
        public string $id,
        public Task $task,
        public string $run,
        public ?Side $side,
        public string $place,
        public string $words,
        public string $pace,
        public int $phase,
        public string $fitting = '',
        public string $leg = '',
        public string $address = '',
        public string $detail = '',
        public ?Length $at = null,
        public string $tool = '',
        public string $check = '',
        public string $part = '',
        public array $cores = [],
        public array $cautions = [],
        public string $why = '',
        public ?Skill $skill = null,
        public int $wait = 0,
        public string $like = '',
        public float $amount = 1.0,
        public array $lengths = [],
        public ?Joining $joining = null,
        public array $with = [],
        public array $needs = [],
    ) {
    }

    /** @param  list<Need>  $needs */
    public function needing(array $needs): self
    {
        return new self(
            $this->id,
            $this->task,
            $this->run,
            $this->side,
            $this->place,
            $this->words,
            $this->pace,
            $this->phase,
            $this->fitting,
            $this->leg,
            $this->address,
            $this->detail,
            $this->at,
            $this->tool,
            $this->check,
            $this->part,
            $this->cores,
            $this->cautions,
            $this->why,
            $this->skill,
            $this->wait,
            $this->like,
            $this->amount,
            $this->lengths,
            $this->joining,
            $this->with,
            $needs,
        );
    }

    /** Whether its end is spoilt where it is left out. */
    public function isUnforgiving(): bool
    {
        return $this->task->isUnforgiving() && $this->phase < self::JOINED;
    }

    /** Of all that it says: done by another description, it is overtaken. */
    public function fingerprint(): string
    {
        $cores = array_map(
            static fn (BenchCore $core): array => [$core->run, $core->conductor, $core->colour],
            $this->cores,
        );

        return substr(
            hash(
                'xxh128',
                serialize([
                    $this->task->value,
                    $this->words,
                    $this->detail,
                    $this->at?->nanometres,
                    $this->part,
                    $this->address,
                    $cores,
                    array_map(static fn (CutTo $cut): array => [$cut->length->nanometres, $cut->for], $this->lengths),
                ]),
            ),
            0,
            16,
        );
    }
}
