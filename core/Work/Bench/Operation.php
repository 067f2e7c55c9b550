<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use DateTimeImmutable;
use Sartal\Core\Ends\Making\Defect;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\MadeJoint;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

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
     * @param  string  $mark  the dimension as it is marked, in its own unit, and from where: "7/8 in, from the cut end"
     * @param  string  $stage  step of the procedure after which the end looks as its picture shows; "" of none
     * @param  string  $procedure  that the step is of; "" of none
     * @param  bool  $found  somebody did it before the cable was taken in: it is done until the end is mended
     * @param  string  $catches  the defect that its check finds; "" of none
     * @param  string  $since  when its record begins, RFC 3339; "" where all of it counts
     * @param  list<string>  $lies  what is ticked as lying on the cable, in order, the first on first
     * @param  list<Defect>  $defects  that can be found at it, where a procedure says so
     * @param  list<Former>  $formers  what records of earlier editions call it, or a part of it
     * @param  list<string>  $impliedBy  steps after which it has to have been done, whether anybody wrote that down
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
        public string $mark = '',
        public string $stage = '',
        public array $lies = [],
        public array $defects = [],
        public array $formers = [],
        public string $procedure = '',
        public string $catches = '',
        public string $since = '',
        public bool $found = false,
        public array $impliedBy = [],
    ) {
        $this->id = $step->text();
    }

    /** @param  list<Prerequisite>  $needs */
    public function needing(array $needs): self
    {
        return $this->copy(['needs' => $needs]);
    }

    /**
     * With nothing in hand but the end itself.
     *
     * @param  string  $check  as a procedure words it, without a full stop
     * @param  list<Defect>  $defects
     */
    public function lookingFor(string $check, array $defects): self
    {
        return $this->copy([
            'check' => $check === '' ? '' : ucfirst($check).'.',
            'defects' => $defects,
            'tool' => '',
            'cautions' => [],
        ]);
    }

    /** Fixed in its panel before anything is joined in it. */
    public function fixedFirst(): self
    {
        return $this->copy([
            'phase' => Phase::InPanel,
            'turn' => 0,
            'needs' => [],
            'check' => 'Hand-tight, or the driver on its lowest step: it stops once the screw holds.',
            'why' => 'All of it is fixed in the panel before the first cup is filled: what moves is not soldered well.',
        ]);
    }

    /** Of a cable that was found: made before, but for what is looked at, labelled and tested here. */
    public function asFound(): self
    {
        return match (true) {
            // What is found at it says nothing of how ends are made here.
            $this->isLastLook() => $this->copy([
                'words' => 'Open it, as far as it opens, and look it over',
                'procedure' => '',
            ]),
            in_array($this->task, [Task::Label, Task::Test], true), $this->step->kind === StepKind::Label => $this,
            default => $this->copy(['found' => true]),
        };
    }

    /** The look before a connector is closed, with all that can be found at it. */
    private function isLastLook(): bool
    {
        return $this->task === Task::Inspect &&
            $this->step->text() === StepId::ofFitting($this->fitting, StepKind::Inspect)->text();
    }

    /** With what is looked at when it is done, as a procedure words it, without a full stop. */
    public function checked(string $check): self
    {
        return $this->copy(['check' => $check === '' ? '' : ucfirst($check).'.']);
    }

    /** What its time is known by: its kind of work, and of what a procedure makes the step. */
    public function timing(): string
    {
        return $this->pace->value.($this->procedure === '' ? '' : ' '.$this->procedure.'/'.$this->stage);
    }

    /** Whether a record speaks of this work, and not of what the step was before somebody said so. */
    public function counts(Event $event): bool
    {
        return self::isSince($this->since, $event);
    }

    /** @param  string  $since  RFC 3339; "" from the first */
    public static function isSince(string $since, Event $event): bool
    {
        return $since === '' || new DateTimeImmutable($event->time()) >= new DateTimeImmutable($since);
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
