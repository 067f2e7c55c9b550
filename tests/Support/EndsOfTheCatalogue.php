<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Ends\Compatibility\Fit;
use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Ends\Preparing\Blocks;
use Sartal\Core\Ends\Preparing\LegPreparer;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\School;
use Throwable;

/** Every cable in every connector, by every contact plan that its signal has, against which nothing is found today. */
final readonly class EndsOfTheCatalogue
{
    private HouseRules $rules;

    /** @param  list<School>  $answers  of the house, where they are not the usual ones */
    public function __construct(private Catalogue $catalogue, array $answers = [])
    {
        $this->rules = HouseRules::defaults()->with(...$answers);
    }

    /** @return iterable<CatalogueEnd> */
    public function all(): iterable
    {
        $seen = [];
        foreach ($this->catalogue->cables() as $cable) {
            foreach ($this->plans($cable) as $plans) {
                foreach ($this->ends($cable, $plans) as $end) {
                    if (! isset($seen[$end->name])) {
                        $seen[$end->name] = true;
                        yield $end;
                    }
                }
            }
        }
    }

    /** @return iterable<non-empty-list<array{ContactPlan, SignalType}>> of a composite, one for each of its legs */
    private function plans(CableType $cable): iterable
    {
        $line = $this->catalogue->theContactPlan('xlr3-female-cable-balanced');
        $mains = $this->catalogue->theContactPlan('power-out-cable-mains');
        foreach ($this->catalogue->plans() as $plan) {
            foreach ($plan->byScheme === [] ? $this->signals($plan) : [] as $signal) {
                if ($cable->prepares('') !== 'composite') {
                    yield [[$plan, $signal]];

                    continue;
                }
                yield $signal->id === 'mains'
                    ? [[$plan, $signal], [$line, $this->catalogue->theSignal('analogue')]]
                    : [[$mains, $this->catalogue->theSignal('mains')], [$plan, $signal]];
            }
        }
    }

    /**
     * @param  non-empty-list<array{ContactPlan, SignalType}>  $plans
     * @return iterable<CatalogueEnd> one for each leg and exit
     */
    private function ends(CableType $cable, array $plans): iterable
    {
        $ids = array_map(static fn (array $each): string => $each[1]->id, $plans);
        try {
            $bench = Bench::of(
                Bench::request(
                    'T-1',
                    $cable->id,
                    $ids,
                    array_map(static fn (array $each): string => $each[0]->id, $plans),
                    [],
                ),
            );
            $bench = $bench->with(rules: $this->rules);
            $installation = $bench->installation;
            $run = $installation->theRun('T-1');
            $made = PinoutMaker::make($installation, $run, Side::A, $cable);
        } catch (Throwable) {
            // What cannot even be proposed is no end.
            return;
        }
        foreach ($run->a->legs as $leg) {
            $fit = LegFit::of($leg, $cable, $made->joints, $installation);
            $joints = array_values(
                array_filter($made->joints, static fn (Joint $joint): bool => $joint->leg === $leg->id),
            );
            if ($fit === null || $joints === [] || Fit::judge($fit) !== []) {
                continue;
            }
            $signal = $this->catalogue->theSignal($installation->circuits()[$joints[0]->circuit]->signal);
            $exits = array_map(static fn (HoodExit $exit): string => $exit->name, $fit->connector->cable->exits);
            foreach ($exits === [] ? [''] : $exits as $exit) {
                $preparation = (new LegPreparer($this->catalogue, $this->rules))->prepare(
                    $fit,
                    $joints,
                    [$joints[0]->circuit => $signal],
                    $this->catalogue->contactPlan($leg->landing->plan ?? ''),
                    $exit,
                );
                $blocks = self::blocks($fit, $joints, $this->catalogue->contactPlan($leg->landing->plan ?? ''), $exit);
                yield $this->end(
                    sprintf('%s → %s%s', $fit->name(), self::into($fit), $exit === '' ? '' : ', '.$exit),
                    new Stations($fit, $joints, $preparation, $this->rules, $blocks),
                    $fit,
                    $signal,
                );
            }
        }
    }

    /** A plug in a block is another end than the same plug by itself. */
    private static function into(LegFit $fit): string
    {
        $frame = $fit->layout->types[''];
        $isOwn = $frame === $fit->connector || $fit->connector->mount === Mount::Insert;

        return $fit->connector->id.($isOwn ? '' : ' in '.$frame->id);
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Block> of the channels that are joined, where the connector is cut to in blocks
     */
    private static function blocks(LegFit $fit, array $joints, ?ContactPlan $plan, string $exit): array
    {
        $at = $fit->connector->cable->exit($exit);
        if ($plan === null || $at === null || ! $fit->connector->cable->staggered) {
            return [];
        }
        $used = array_flip(array_map(static fn (Joint $joint): string => $joint->channel, $joints));
        $channels = array_intersect_key($plan->channels, $used);

        return Blocks::in(
            new ContactPlan($plan->id, $plan->name, $plan->connector, $channels, block: $plan->block),
            $fit->layout,
            $at,
        );
    }

    private function end(
        string $name,
        Stations $stations,
        LegFit $fit,
        SignalType $signal,
    ): CatalogueEnd {
        $procedure = $this->catalogue->procedureFor($fit->connector, $fit->prepares());
        $protective = array_values(array_map(
            static fn (SignalFunction $function): string => $function->name,
            array_filter($signal->functions, static fn (SignalFunction $function): bool => $function->protective),
        ));

        return new CatalogueEnd(
            $name,
            $fit->cable,
            $procedure,
            $stations->workpiece(),
            $procedure === null ? new Station() : $stations->for($procedure, $protective),
            $stations,
            $protective,
        );
    }

    /** @return list<SignalType> the first all of whose functions the plan has a place for; of a block, all such */
    private function signals(ContactPlan $plan): array
    {
        $signals = [];
        $has = array_keys(array_merge(...array_values($plan->channels), ...[[]]));
        foreach ($this->catalogue->signals() as $signal) {
            $needed = array_map(
                static fn (SignalFunction $function): string => $function->name,
                array_filter($signal->functions, static fn (SignalFunction $function): bool => $function->required),
            );
            if ($needed !== [] && array_diff($needed, array_map(strval(...), $has)) === []) {
                $signals[] = $signal;
            }
        }

        return $plan->inserts === [] ? array_slice($signals, 0, 1) : $signals;
    }
}
