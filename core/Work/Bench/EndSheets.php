<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Ends\Making\FittingAtEnd;
use Sartal\Core\Ends\Making\LegInFitting;
use Sartal\Core\Ends\Opening\EndOpener;
use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Ends\Preparing\SlideOns;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Given\Schools\CoilTie;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\CompositeSleeve;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\JoinOrder;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\ScreenAndDrain;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Given\Schools\SecondEnd;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Plan\Runs\RunPlan;

/** Writes the sheet of an end from the plan. */
final readonly class EndSheets
{
    private EndMaker $maker;

    private EndOpener $opener;

    public function __construct(private Installation $installation)
    {
        $this->maker = new EndMaker($installation);
        $this->opener = new EndOpener($installation);
    }

    /** Null where the run's cable type is unknown: there is nothing to say about such an end. */
    public function of(Run $run, Side $side, RunPlan $plan): ?EndSheet
    {
        $cable = $this->installation->catalogue->cable($run->cable);
        if ($cable === null) {
            return null;
        }
        $tails = $plan->lay->tails[$side->value] ?? [];
        $made = $this->maker->of($run, $side, $cable, $plan->end($side)->joints);
        $opened = $this->opener->of(
            $run,
            $side,
            $cable,
            $made,
            array_map(static fn (Worked $tail): Length => $tail->result, $tails),
        );
        $fittings = array_map(
            fn (FittingAtEnd $fitting): SheetFitting => $this->fitting($fitting, $tails, $cable, $opened),
            $made,
        );

        return new EndSheet(
            $run,
            $side,
            $cable,
            $this->installation->locationName($run->end($side)->location),
            $fittings,
            self::alike($fittings),
            (new SlideOns($this->installation->catalogue, $this->installation->rulesFor($run, $side)))->breakout(
                $cable,
                count($fittings) > 1 ? count($run->end($side)->legs) : 0,
            ),
            $plan->end($side)->unused,
            $this->rules($run, $side, $fittings, $opened),
            $opened,
        );
    }

    /** @param  array<int|string, Worked>  $tails  by leg */
    private function fitting(FittingAtEnd $at, array $tails, CableType $cable, ?OpenedEnd $opened): SheetFitting
    {
        $fit = $at->legs[0]->fit;
        $terminals = $inserts = [];
        foreach ($at->legs as $leg) {
            foreach ($leg->fit->landed as $landed) {
                $terminal = $leg->fit->layout->terminal($landed->address);
                if ($terminal !== null) {
                    $terminals[spl_object_id($terminal)] = $terminal;
                }
                $inserts[] = $landed->address;
            }
        }

        return new SheetFitting(
            $at->fitting,
            $fit->layout->types[''],
            $fit->layout,
            $at->plan,
            $at->exit,
            array_map(
                fn (LegInFitting $leg): SheetLeg => new SheetLeg(
                    $leg->leg,
                    $leg->preparation,
                    $leg->plain ?? $leg->made ?? throw new \LogicException('An end that was not made.'),
                    $leg->made,
                    $tails[$leg->leg->id] ?? null,
                    $opened?->leg === $leg->leg->id ? null : LegSleeving::of(
                        $leg->leg,
                        ($tails[$leg->leg->id] ?? null)->result ?? $leg->leg->length,
                        $cable,
                        $this->installation->catalogue,
                    ),
                ),
                $at->legs,
            ),
            $at->blocks,
            array_values($terminals),
            self::print($fit, $inserts),
            $this->mates($fit),
        );
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
     * @return list<RuleInForce>
     */
    private function rules(Run $run, Side $side, array $fittings, ?OpenedEnd $opened): array
    {
        $terminals = array_merge(
            ...array_map(static fn (SheetFitting $fitting): array => $fitting->terminals, $fittings),
            ...[[]],
        );
        $joinings = array_map(static fn (TerminalKind $terminal): Joining => $terminal->joining, $terminals);
        $hot = array_filter($joinings, static fn (Joining $joining): bool => $joining->isHot()) !== [];
        $signals = $this->maker->signals($run);
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
            CoilTie::class => self::keepsATie($fittings),
            CompositeSleeve::class => $opened !== null,
            LengthPractice::class => true,
        ];

        return array_map(
            fn (string $school): RuleInForce => RuleInForce::of($school, $run, $side, $this->installation),
            array_keys(array_filter($bearing)),
        );
    }

    /** @param  list<SheetFitting>  $fittings */
    private static function keepsATie(array $fittings): bool
    {
        foreach ($fittings as $fitting) {
            foreach ($fitting->legs[0]->preparation->slides as $slide) {
                if ($slide->part->kind === PartKind::Tie) {
                    return true;
                }
            }
        }

        return false;
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
