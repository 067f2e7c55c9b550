<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Formerly\FormerSteps;

/** The joints that a step makes, terminal by terminal; what others would cover comes before them. */
final readonly class JointSteps
{
    /** s; what cools sooner is not waited for: common practice. */
    private const COOLED = 30;

    /** @param  array<int|string, CableType>  $cables  by run */
    public function __construct(
        private OperationDraft $draft,
        private FormerSteps $former,
        private SheetFitting $sheet,
        private Spot $spot,
        private JointWires $wires,
        private array $cables,
    ) {
    }

    /**
     * @param  non-empty-list<string>  $keys
     * @return list<string>
     */
    public function of(array $keys, StepMade $step, StepOperation $make, int $turn, int $wait): array
    {
        $ids = [];
        foreach ($keys as $key) {
            $of = $this->wires->at($key);
            $address = $of[0][1]->joint->address();
            $joining = $this->sheet->layout->terminal($address)?->joining;
            $legs = array_unique(array_map(static fn (array $wire): string => $wire[0]->leg->leg->id, $of));
            $id = StepId::ofFitting($this->sheet->fitting->id, StepKind::Join, $key);
            $ids[$key] = $this->draft->add(
                $make->of(
                    $id,
                    $step,
                    new Spot(
                        $of[0][0]->run->id,
                        $of[0][0]->side,
                        $this->spot->fitting,
                        count($legs) === 1 ? $of[0][0]->leg->leg->id : '',
                        count($legs) === 1 ? $of[0][0]->place : $this->spot->place,
                        array_values(array_diff([$this->spot->run, ...$this->spot->with], [$of[0][0]->run->id])),
                    ),
                    Phase::Join,
                    $turn,
                    $this->former->same($id),
                    Task::Join,
                    self::words($step, $joining, $address, count($of)),
                    $this->sheet->layout->cavities[$address]->terminal ?? '',
                    part: self::crimped($step, $of[0][0]),
                    cores: array_map(
                        fn (array $wire): BenchCore => BenchCore::from($wire[1], $this->cables[$wire[0]->run->id]),
                        $of,
                    ),
                    address: $step->isOneStroke() ? '' : $address,
                    amount: 1.0,
                    joining: $joining,
                    // While the next is made, a small one has cooled.
                    wait: $wait < self::COOLED ? 0 : $wait,
                    like: 'join|'.$this->sheet->type->id.'|'.($joining->value ?? 'shell'),
                ),
            );
        }
        foreach ($keys as $key) {
            foreach ($this->wires->at($key) as [$of, $core]) {
                $crimp = StepId::ofLeg(
                    $of->run->id,
                    $of->side,
                    $of->leg->leg->id,
                    StepKind::Crimp,
                    $core->joint->conductor,
                )->text();
                $contact = $this->draft->has($crimp) ? $crimp : '';
                $this->draft->need($ids[$key], $contact, 'It has its contact first.');
            }
        }
        foreach ($step->doing->station->terminals->covers as $over => $under) {
            foreach ($under as $terminal) {
                if (isset($ids[$over], $ids[$terminal])) {
                    $this->draft->need($ids[$over], $ids[$terminal], 'Joined first, it would cover the other one.');
                }
            }
        }

        return array_values($ids);
    }

    /** Id of the part that holds the joint; "" where none does. */
    private static function crimped(StepMade $step, LegWork $leg): string
    {
        foreach ($step->step->verb === Verb::Crimp ? $leg->leg->preparation->slides : [] as $slide) {
            if (Stations::name($slide) === $step->step->part) {
                return $slide->part->id;
            }
        }

        return '';
    }

    private static function words(StepMade $step, ?Joining $joining, string $address, int $count): string
    {
        return match (true) {
            $address === '' => 'Splice it and insulate the splice',
            $step->isOneStroke() => sprintf('Press all %d in, one stroke', $count),
            $step->step->verb === Verb::Bind => 'Hold it down with the tie',
            $step->step->verb === Verb::LayIn => 'Lay it into its slot',
            $step->step->verb === Verb::Load => 'Insert the contact into '.$address,
            $step->step->verb === Verb::PushOn => 'Push the body on, the centre into its place',
            $step->step->verb === Verb::Crimp => 'Crimp the '.str_replace('-', ' ', $step->step->part),
            $joining === null => 'Join to the shell',
            default => ucfirst($joining->words()),
        };
    }
}
