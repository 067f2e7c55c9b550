<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Proof\Record\StepId;

/** A step of a procedure as somebody at the bench does it. */
final readonly class StepOperation
{
    /** Work on single cores takes as much longer as there are more of them than a pair and its screen. */
    private const HANDFUL = 3;

    private StepWords $words;

    /**
     * @param  string  $procedure  that its steps are of
     * @param  list<string>  $cautions  of the connector, which every joint in it shows besides the step's own
     */
    public function __construct(
        CableType $cable,
        private string $procedure,
        private bool $isMains,
        private array $cautions = [],
    ) {
        $this->words = new StepWords($cable);
    }

    /**
     * @param  int  $turn  place of the step in its procedure
     * @param  list<Former>  $formers
     * @param  ?string  $words  where they are not the step's own
     * @param  ?Length  $at  the dimension, where it is one for all pieces and not the step's own
     * @param  list<CutTo>  $lengths
     * @param  list<BenchCore>  $cores
     */
    public function of(
        StepId $id,
        StepMade $made,
        Spot $spot,
        Phase $phase,
        int $turn,
        array $formers,
        ?Task $task = null,
        ?string $words = null,
        string $detail = '',
        string $part = '',
        string $why = '',
        ?float $amount = null,
        ?Length $at = null,
        array $lengths = [],
        array $cores = [],
        string $address = '',
        ?Joining $joining = null,
        int $wait = 0,
        ?string $like = null,
        ?Pace $pace = null,
        string $tool = '',
    ): Operation {
        $step = $made->step;
        $task ??= self::task($step->verb);
        $sum = self::measured($made->doing);

        return new Operation(
            $id,
            $task,
            $spot->run,
            $spot->side,
            $spot->place,
            $words ?? $this->words->does($made->doing),
            $pace ?? self::pace($made, $task, $joining),
            $phase,
            $spot->fitting,
            $spot->leg,
            $address,
            $detail,
            $at ?? $sum->result ?? self::dimension($made->doing),
            $tool === '' ? $step->tool : $tool,
            $step->check === '' ? '' : ucfirst($step->check).'.',
            $part,
            $cores,
            $this->cautions($made, $task, $joining),
            $why === '' ? $step->why : $why,
            $this->skill($made, $task),
            $wait,
            $like ?? 'make|'.$step->id.'|'.$made->step->verb->value.'|'.($step->measure->written ?? ''),
            $amount ?? self::amount($made),
            $lengths,
            $joining,
            $spot->with,
            turn: $turn,
            mark: match (true) {
                $lengths !== [] => '',
                $sum !== null => $sum->result->canonical().', from where it leaves the sheath',
                default => $this->words->length($made->doing),
            },
            stage: $step->id,
            formers: $formers,
            sum: $sum,
            procedure: $this->procedure,
            catches: $step->catches,
            since: $step->since,
        );
    }

    public static function task(Verb $verb): Task
    {
        return match ($verb) {
            Verb::Slide => Task::SlideOn,
            Verb::Measure => Task::Measure,
            Verb::CutOff, Verb::Score, Verb::Remove, Verb::Tear, Verb::Open, Verb::Slit => Task::Strip,
            Verb::Tin, Verb::Wet, Verb::SolderOn => Task::Tin,
            Verb::Crimp, Verb::Ferrule => Task::Crimp,
            Verb::Join, Verb::Clamp, Verb::PressIn, Verb::Load, Verb::LayIn, Verb::Bind => Task::Join,
            Verb::Tug => Task::Tug,
            Verb::LookOver, Verb::Mate => Task::Inspect,
            Verb::Shrink => Task::Shrink,
            Verb::Seat, Verb::Tie, Verb::Close, Verb::Coil => Task::Close,
            default => Task::Dress,
        };
    }

    private static function pace(StepMade $made, Task $task, ?Joining $joining): Pace
    {
        $verb = $made->step->verb;

        return match (true) {
            $task === Task::Join => $joining === null ? Pace::JoinCoax : Pace::joining($joining),
            $verb === Verb::Wet => Pace::Fill,
            $verb === Verb::Arrange => Pace::Order,
            $task === Task::Strip => Pace::TakeOff,
            $task === Task::Measure => Pace::Dress,
            $task === Task::SlideOn => Pace::SlideOn,
            $task === Task::Tin => Pace::Tin,
            $verb === Verb::SolderOn => Pace::JoinSolder,
            $task === Task::Crimp, $verb === Verb::Crimp => Pace::Crimp,
            $task === Task::Tug => Pace::Tug,
            $task === Task::Inspect => Pace::Inspect,
            $task === Task::Shrink => Pace::Shrink,
            $task === Task::Close => Pace::Close,
            default => Pace::Handle,
        };
    }

    private static function amount(StepMade $made): float
    {
        $count = count($made->doing->pieces);

        return match (true) {
            $made->step->verb === Verb::Tin => (float) max(1, $count),
            $made->step->verb === Verb::Wet => (float) max(1, count($made->doing->byTerminal())),
            in_array($made->step->verb, [Verb::Remove, Verb::Trim, Verb::Twist], true) => max(
                1.0,
                $count / self::HANDFUL,
            ),
            default => 1.0,
        };
    }

    /** Of what is the same for every piece that it is done to, and of nothing that a terminal's place gives. */
    private static function dimension(Doing $doing): ?Length
    {
        $measure = $doing->step->measure;
        $longest = $doing->station->longest();

        return match ($measure?->from) {
            null, MeasuredFrom::Terminal, MeasuredFrom::Equipment, MeasuredFrom::Leg => null,
            MeasuredFrom::Legs => $longest ?? $measure->length,
            default => $measure->length,
        };
    }

    /** What was measured on the equipment, and what is left beyond it; null until somebody has measured it. */
    private static function measured(Doing $doing): ?Worked
    {
        $step = $doing->step;
        $isPlaced = $step->measure?->from === MeasuredFrom::Equipment;
        $measured = $doing->station->measured;
        if ($measured === null || ! ($step->verb === Verb::Measure || $isPlaced)) {
            return null;
        }
        $beyond = $isPlaced ? $step->measure->length : Length::zero();

        return Worked::sum([
            new Term('measured', 'on the equipment, from where it leaves the sheath', $measured, 'whoever measured it'),
            ...$beyond->isZero() ? [] : [new Term('beyond it', 'for its connector', $beyond, 'its procedure')],
        ]);
    }

    /** @return list<string> its own, the usual one of such work, and where it is joined those of the connector */
    private function cautions(StepMade $made, Task $task, ?Joining $joining): array
    {
        $step = $made->step;
        $isByHand = $task === Task::Strip && str_contains($step->tool, 'by hand');
        $usual = $isByHand || $step->verb === Verb::Open ? [] : Cautions::for($task, $joining);

        return array_values(array_unique([
            ...$step->caution === '' ? $usual : [$step->caution],
            ...$task === Task::Join ? $this->cautions : [],
        ]));
    }

    private function skill(StepMade $made, Task $task): ?Skill
    {
        $station = $made->doing->station;

        return match (true) {
            $this->isMains => Skill::Mains,
            ! in_array($task, [Task::Tin, Task::Crimp, Task::Join, Task::Dress, Task::Fit], true) => null,
            $station->terminals->row !== [] => Skill::Category,
            $station->centre !== Centre::None => Skill::Coax,
            $task === Task::Tin, $made->step->verb === Verb::Join => Skill::Solder,
            $task === Task::Crimp, $task === Task::Join => Skill::Crimp,
            default => null,
        };
    }
}
