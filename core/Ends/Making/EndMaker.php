<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Preparing\Blocks;
use Sartal\Core\Ends\Preparing\LegPreparer;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** Makes the ends of runs: each leg by the procedure that is for it, in the connector that it goes to. */
final readonly class EndMaker
{
    /** Made ends that are in hand: a large multicore parts into two dozen legs, and has two ends. */
    private const MOST = 128;

    private FarHalf $far;

    private CoilTies $ties;

    public function __construct(private Installation $installation)
    {
        $this->far = new FarHalf($installation);
        $this->ties = new CoilTies($installation);
    }

    /**
     * @param  list<Joint>  $joined  of that end
     * @return list<FittingAtEnd> in the order of its legs
     */
    public function of(Run $run, Side $side, CableType $cable, array $joined): array
    {
        $preparer = new LegPreparer($this->installation->catalogue, $this->installation->rulesFor($run, $side));
        $signals = $this->signals($run);
        $legs = $of = [];
        foreach ($joined as $joint) {
            $of[$joint->leg][] = $joint;
        }
        foreach ($run->end($side)->legs as $leg) {
            $joints = $of[$leg->id] ?? [];
            $fit = LegFit::of($leg, $cable, $joints, $this->installation);
            $fitting = $this->installation->fitting($leg->landing->fitting ?? '');
            if ($fit === null || $fitting === null) {
                continue;
            }
            $preparation = $preparer->prepare(
                $fit,
                $joints,
                $signals,
                $this->installation->plan($leg->landing->plan ?? ''),
                $fitting->exit,
            );
            $tie = $this->ties->of($run, $side, $leg, $fit);
            $legs[$fitting->id][] = new LegInFitting(
                $leg,
                $fit,
                $joints,
                $tie === null ? $preparation : $preparation->with($tie),
            );
        }
        $protective = self::protective($signals);
        $fittings = [];
        foreach ($legs as $id => $of) {
            $fittings[] = $this->fitting($this->installation->theFitting($id), $of, $run, $side, $protective);
        }

        return $fittings;
    }

    /**
     * @param  non-empty-list<LegInFitting>  $legs
     * @param  list<string>  $protective  functions that are protective earth's
     */
    private function fitting(Fitting $fitting, array $legs, Run $run, Side $side, array $protective): FittingAtEnd
    {
        $layout = $legs[0]->fit->layout;
        $type = $layout->types[''];
        $plan = $this->installation->plan($legs[0]->leg->landing->plan ?? '');
        $exit = $type->cable->exit($fitting->exit);
        $blocks = $plan === null || $exit === null || ! $type->cable->staggered
            ? []
            : Blocks::in(self::used($plan, $legs), $layout, $exit);
        $rules = $this->installation->rulesFor($run, $side);
        foreach ($legs as $i => $leg) {
            $stations = new Stations(
                $leg->fit,
                $leg->joints,
                $leg->preparation,
                $rules,
                $blocks,
                $leg->leg,
            );
            $far = $this->far->of($run, $side, $leg->leg);
            $procedure = $this->installation->catalogue->procedureFor(
                $leg->fit->connector,
                $leg->fit->prepares(),
                $leg->leg->procedure,
            );
            $made = $procedure === null ? null : $this->made($procedure, $stations, $protective, $far);
            $legs[$i] = $leg->madeAs($made, $made?->made->isRight() === true ? null : $this->made(
                $this->plain($leg, $rules),
                $stations,
                $protective,
                $far,
            ));
        }

        return new FittingAtEnd($fitting, $plan, $exit, $legs, $blocks);
    }

    private function plain(LegInFitting $leg, HouseRules $rules): MakingProcedure
    {
        $catalogue = $this->installation->catalogue;

        return (new PlainMaking(
            $leg->preparation,
            $leg->fit->layout,
            $rules,
            $catalogue->securing($leg->fit->connector),
        ))->procedure();
    }

    /**
     * Ends of one signature are made once.
     *
     * @param  list<string>  $protective
     */
    private function made(
        MakingProcedure $procedure,
        Stations $stations,
        array $protective,
        FarEnd $far,
    ): MadeEnd {
        return $this->installation->catalogue->kept->lately(
            MadeEnd::class,
            $stations->signature($procedure, $protective, $far),
            static fn (): MadeEnd => MadeEnd::by(
                $procedure,
                Made::by($procedure, $stations->workpiece(), $stations->for($procedure, $protective, $far)),
            ),
            self::MOST,
        );
    }

    /**
     * @param  array<int|string, SignalType>  $signals
     * @return list<string>
     */
    private static function protective(array $signals): array
    {
        $protective = [];
        foreach ($signals as $signal) {
            foreach ($signal->functions as $function) {
                array_push($protective, ...$function->protective ? [$function->name] : []);
            }
        }

        return array_values(array_unique($protective));
    }

    /**
     * A plan with the channels alone that these legs use, so that empty blocks are not measured.
     *
     * @param  list<LegInFitting>  $legs
     */
    private static function used(ContactPlan $plan, array $legs): ContactPlan
    {
        $used = [];
        foreach ($legs as $leg) {
            $used += array_flip($leg->leg->landing->channels ?? []);
        }
        $contacts = [];
        foreach ($plan->channels as $channel => $functions) {
            $contacts[$channel] = isset($used[$channel]) ? $functions : [];
        }

        return new ContactPlan($plan->id, $plan->name, $plan->connector, $contacts, $plan->source, block: $plan->block);
    }

    /** @return array<int|string, SignalType> circuit → signal */
    public function signals(Run $run): array
    {
        $signals = [];
        foreach ($run->carries as $carriage) {
            $signal = $this->installation->catalogue->signal(
                $this->installation->circuit($carriage->circuit)->signal ?? '',
            );
            if ($signal !== null) {
                $signals[$carriage->circuit] = $signal;
            }
        }

        return $signals;
    }
}
