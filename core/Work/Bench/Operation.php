<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Proof\Record\MadeJoint;
use Sartal\Core\Proof\Record\StepId;

/** One thing that one person does to a leg, an end, a fitting or a run. */
final readonly class Operation
{
    use Withers;

    private const DERIVED = ['id' => true];

    /** Stays while there is such a thing to do: events name it. */
    public string $id;

    /**
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
     * @param  int  $wait  s before what needs it may begin
     * @param  int  $turn  which comes first within a phase
     * @param  string  $like  operations of one likeness are pieces of one step
     * @param  ?Joining  $joining  how its joints are made, where it has to do with joints
     * @param  list<string>  $with  further runs that it is done to, where several share a connector
     * @param  list<CutTo>  $lengths  where there are several
     * @param  list<Prerequisite>  $needs
     * @param  list<string>  $facts  what else it is done by: a type, a school's choice, what a label reads
     * @param  ?Worked  $sum  how the dimension came about, where it is a sum
     */
    public function __construct(
        public StepId $step,
        public Task $task,
        public string $run,
        public ?Side $side,
        public string $place,
        public string $words,
        public Pace $pace,
        public Phase $phase,
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
        public array $facts = [],
        public ?Worked $sum = null,
        public int $turn = 0,
    ) {
        $this->id = $step->text();
    }

    /** @param  list<Prerequisite>  $needs */
    public function needing(array $needs): self
    {
        return $this->copy(['needs' => $needs]);
    }

    /** Whether its end is spoilt where it is left out. */
    public function isUnforgiving(): bool
    {
        return $this->task->isUnforgiving() && $this->phase->isBeforeJoining();
    }

    /** @return list<string> joints that it makes on its own run: "conductor>node" */
    public function joints(): array
    {
        $joints = [];
        foreach ($this->task === Task::Join ? $this->cores : [] as $core) {
            if ($core->run === $this->run && $core->to !== '') {
                $joints[] = (new MadeJoint($core->conductor, $core->to))->text();
            }
        }

        return $joints;
    }
}
