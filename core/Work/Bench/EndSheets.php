<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\Ends\Preparing\Blocks;
use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Ends\Preparing\LegPreparer;
use Sartal\Core\Ends\Preparing\SlideOns;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\JoinOrder;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\ScreenAndDrain;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Given\Schools\SecondEnd;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Plan\Checks\FitChecks;
use Sartal\Core\Plan\Runs\RunPlan;

/** Writes the sheet of an end from the plan. */
final readonly class EndSheets
{
    public function __construct(private Installation $installation)
    {
    }

    /** Null where the run's cable type is unknown: there is nothing to say about such an end. */
    public function of(Run $run, Side $side, RunPlan $plan): ?EndSheet
    {
        $cable = $this->installation->catalogue->cable($run->cable);
        if ($cable === null) {
            return null;
        }
        $fittings = $this->fittings($run, $side, $plan, $cable);

        return new EndSheet(
            $run,
            $side,
            $cable,
            $this->installation->locationName($run->end($side)->location),
            $fittings,
            self::alike($fittings),
            (new SlideOns($this->installation->catalogue, $this->installation->rules()))->breakout(
                $cable,
                count($fittings) > 1 ? count($run->end($side)->legs) : 0,
            ),
            $plan->end($side)->unused,
            $this->rules($run, $fittings),
        );
    }

    /** @return list<SheetFitting> */
    private function fittings(Run $run, Side $side, RunPlan $plan, CableType $cable): array
    {
        $preparer = new LegPreparer($this->installation->catalogue, $this->installation->rules());
        $signals = $this->signals($run);
        $protective = self::protective($signals);
        $legs = $fits = $joined = [];
        foreach ($run->end($side)->legs as $leg) {
            $fit = FitChecks::fit($run, $leg, $cable, $plan->end($side), $this->installation);
            $fitting = $this->installation->fitting($leg->landing->fitting ?? '');
            if ($fit === null || $fitting === null) {
                continue;
            }
            $joints = array_values(
                array_filter($plan->end($side)->joints, static fn ($joint): bool => $joint->leg === $leg->id),
            );
            $joined[$fitting->id][] = $joints;
            $legs[$fitting->id][] = new SheetLeg(
                $leg,
                $preparer->prepare(
                    $fit,
                    $joints,
                    $signals,
                    $this->installation->plan($leg->landing->plan ?? ''),
                    $fitting->exit,
                    $leg->recipe,
                ),
                $plan->lay->tails[$side->value][$leg->id] ?? null,
            );
            $fits[$fitting->id][] = $fit;
        }
        $sheets = [];
        foreach ($legs as $id => $of) {
            $fitting = $this->installation->theFitting($id);
            $far = array_map(
                fn (SheetLeg $leg): FarEnd => (new FarHalf($this->installation))->of($run, $side, $leg->leg),
                $of,
            );
            $sheets[] = $this->fitting($fitting, $of, $fits[$id], $joined[$id], $protective, $far);
        }

        return $sheets;
    }

    /**
     * @param  non-empty-list<SheetLeg>  $legs
     * @param  non-empty-list<LegFit>  $fits
     * @param  non-empty-list<list<Joint>>  $joints  of each leg
     * @param  list<string>  $protective  functions that are protective earth's
     * @param  non-empty-list<FarEnd>  $far  as each leg finds it
     */
    private function fitting(
        Fitting $fitting,
        array $legs,
        array $fits,
        array $joints,
        array $protective,
        array $far,
    ): SheetFitting {
        $fit = $fits[0];
        $type = $fit->layout->types[''];
        $plan = $this->installation->plan($legs[0]->leg->landing->plan ?? '');
        $exit = $type->cable->exit($fitting->exit);
        $terminals = [];
        $inserts = [];
        foreach ($fits as $each) {
            foreach ($each->landed as $landed) {
                $terminal = $each->layout->terminal($landed->address);
                if ($terminal !== null) {
                    $terminals[spl_object_id($terminal)] = $terminal;
                }
                $inserts[] = $landed->address;
            }
        }

        $blocks = $plan === null || $exit === null || ! $type->cable->staggered
            ? []
            : Blocks::in(self::used($plan, $legs), $fit->layout, $exit);
        foreach ($legs as $i => $leg) {
            $stations = new Stations($fits[$i], $joints[$i], $leg->preparation, $this->installation->rules(), $blocks);
            $legs[$i] = $leg->with($this->made($stations, $fits[$i], $leg->preparation, $protective, $far[$i]));
        }

        return new SheetFitting(
            $fitting,
            $type,
            $fit->layout,
            $plan,
            $exit,
            $legs,
            $blocks,
            array_values($terminals),
            self::print($fit, $inserts),
            $this->mates($fit),
        );
    }

    /**
     * Ends of one signature are made once.
     *
     * @param  list<string>  $protective
     */
    private function made(
        Stations $stations,
        LegFit $fit,
        LegPreparation $preparation,
        array $protective,
        FarEnd $far,
    ): ?MadeEnd {
        $catalogue = $this->installation->catalogue;
        $procedure = $catalogue->procedureFor($preparation->recipe->id ?? '', $fit->connector->id);
        if ($procedure === null || ! $this->isOfTheHouse($fit)) {
            return null;
        }

        return $catalogue->kept->once(
            MadeEnd::class,
            $stations->signature($procedure, $protective, $far),
            static fn (): MadeEnd => MadeEnd::by(
                $procedure,
                Made::by($procedure, $stations->workpiece(), $stations->for($procedure, $protective, $far)),
            ),
        );
    }

    /** No procedure solders loose contacts, or screws strands in without a ferrule: there recipes go on. */
    private function isOfTheHouse(LegFit $fit): bool
    {
        $rules = $this->installation->rules();
        foreach ($fit->landed as $landed) {
            $joining = $fit->layout->terminal($landed->address)?->joining;
            $isOtherwise = match (true) {
                $joining === Joining::Crimp => $rules->on(ContactsMade::class) !== ContactsMade::AsMade,
                $joining === Joining::Screw => $rules->on(MainsEnds::class) !== MainsEnds::Ferrule,
                default => false,
            };
            if ($isOtherwise) {
                return false;
            }
        }

        return true;
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
     * @param  list<SheetLeg>  $legs
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

    /**
     * The terminals' own print, in whole paths.
     *
     * @param  list<string>  $addresses
     * @return list<string>
     */
    private static function print(LegFit $fit, array $addresses): array
    {
        $print = [];
        foreach (
            array_unique(
                array_map(
                    static fn (string $address): string => str_contains($address, '/')
                        ? substr($address, 0, (int) strrpos($address, '/') + 1)
                        : '',
                    $addresses,
                ),
            ) as $prefix
        ) {
            foreach ($fit->layout->typeAt($prefix.'x')->cable->print as $address) {
                $print[] = $prefix.$address;
            }
        }

        return $print;
    }

    /** @return list<string> */
    private function mates(LegFit $fit): array
    {
        $names = [];
        foreach ($fit->layout->types['']->mates as $mode) {
            $other = $this->installation->catalogue->connector($mode->with);
            if ($other !== null && ! $other->retired) {
                $names[] = $other->name;
            }
        }

        return $names;
    }

    /** @return array<int|string, SignalType> circuit → signal */
    private function signals(Run $run): array
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

    /**
     * @param  list<SheetFitting>  $fittings
     * @return list<list<int>>
     */
    private static function alike(array $fittings): array
    {
        $groups = [];
        foreach ($fittings as $i => $fitting) {
            foreach ($groups as $g => $members) {
                if ($fittings[$members[0]]->isLike($fitting)) {
                    $groups[$g][] = $i;

                    continue 2;
                }
            }
            $groups[] = [$i];
        }

        return array_values($groups);
    }

    /**
     * Only what somebody at this vice has to know.
     *
     * @param  list<SheetFitting>  $fittings
     * @return list<School>
     */
    private function rules(Run $run, array $fittings): array
    {
        $terminals = array_merge(
            ...array_map(static fn (SheetFitting $fitting): array => $fitting->terminals, $fittings),
            ...[[]],
        );
        $joinings = array_map(static fn (TerminalKind $terminal): Joining => $terminal->joining, $terminals);
        $hot = array_filter($joinings, static fn (Joining $joining): bool => $joining->isHot()) !== [];
        $signals = $this->signals($run);
        $screened =
            array_filter(
                $signals,
                static fn (SignalType $signal): bool => array_filter(
                    $signal->functions,
                    static fn (SignalFunction $function): bool => $function->pole === SignalFunction::SCREEN,
                ) !== [],
            ) !== [];
        $mains =
            array_filter(
                $fittings,
                static fn (SheetFitting $fitting): bool => $fitting->type->domain === HazardDomain::Mains,
            ) !== [];
        $bearing = [
            ColourScheme::class => array_filter($fittings, $this->followsScheme(...)) !== [],
            HotColour::class => array_filter(
                $signals,
                static fn (SignalType $signal): bool => $signal->colourRule,
            ) !== [],
            ShellBond::class => array_filter(
                $signals,
                static fn (SignalType $signal): bool => $signal->telescopes,
            ) !== [],
            ScreenAndDrain::class => $screened,
            JoinOrder::class => count($terminals) > 0,
            ScreenTinning::class => $hot && $screened,
            ContactsMade::class => in_array(Joining::Crimp, $joinings, true),
            JointShrink::class => $hot,
            MainsEnds::class => $mains,
            SecondEnd::class => true,
            LengthPractice::class => true,
        ];

        return array_map(
            fn (string $school): School => $this->installation->rule($school),
            array_keys(array_filter($bearing)),
        );
    }

    private function followsScheme(SheetFitting $fitting): bool
    {
        foreach ($fitting->legs as $leg) {
            $named = $this->installation->catalogue->contactPlan($leg->leg->landing->plan ?? '');
            if ($named !== null && $named->byScheme !== []) {
                return true;
            }
        }

        return false;
    }
}
