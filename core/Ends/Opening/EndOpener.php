<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Opening;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\EndMaker;
use Sartal\Core\Ends\Making\FittingAtEnd;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\PartsThere;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Ends\Preparing\ShrinkChoice;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\CompositeSleeve;
use Sartal\Core\Given\Schools\School;

/**
 * Opens an end whose cable holds unlike things, once for all of them, and puts on what holds them together: by the
 * procedure that says how each of its legs goes on. Source: common practice.
 */
final readonly class EndOpener
{
    /** How much more than its cable the neck of a boot is round: common practice. */
    private const NECK = 1.5;

    /** What its procedure calls the piece that is for both ends. */
    public const SLEEVING = 'sleeving';

    private const LEG_SLEEVING = 'leg-sleeving';

    public function __construct(private Installation $installation)
    {
    }

    /**
     * @param  list<FittingAtEnd>  $fittings
     * @param  array<int|string, Length>  $lengths  of its legs, where they are not what the run says
     * @return ?OpenedEnd null where the cable is made in one piece, or nothing says how all of its legs are
     */
    public function of(Run $run, Side $side, CableType $cable, array $fittings, array $lengths = []): ?OpenedEnd
    {
        [$legs, $ends, $procedure] = $this->meant($run->end($side), $cable, $fittings);
        if ($procedure === null) {
            return null;
        }
        $rules = $this->installation->rulesFor($run, $side);
        $isSleeved = $rules->on(CompositeSleeve::class) === CompositeSleeve::Whole;
        $parts = $this->parts($cable, $legs, $ends, $fittings[0]->legs[0]->fit, $isSleeved);
        $station = new Station(
            parts: new PartsThere(
                arrive: $this->arrivals($parts, $run, $side, $cable),
                shrinks: array_values(array_intersect(['edge', 'neck'], array_keys($parts))),
                snags: [self::SLEEVING],
                under: [self::SLEEVING, self::LEG_SLEEVING],
            ),
            answers: self::answers($procedure, $rules),
            legs: self::lengths($legs, $lengths),
        );
        $end = AsCut::of($cable);

        return new OpenedEnd(
            MadeEnd::by($procedure, Made::by($procedure, new Workpiece($end), $station)),
            $parts,
            ...self::sleeved($legs, $ends, $station),
        );
    }

    /**
     * @param  list<Leg>  $legs
     * @param  list<array{HazardDomain, string}>  $ends
     * @return array{Length, string} how much of a leg is sleeved, and which; nothing of none
     */
    private static function sleeved(array $legs, array $ends, Station $station): array
    {
        foreach ($legs as $i => $leg) {
            if ($ends[$i][0] === HazardDomain::Signal && $station->parts->has(self::LEG_SLEEVING)) {
                return [$station->legs[$leg->elements[0]] ?? $leg->length, $leg->id];
            }
        }

        return [Length::zero(), ''];
    }

    /**
     * @param  list<FittingAtEnd>  $fittings
     * @return array{list<Leg>, list<array{HazardDomain, string}>, ?MakingProcedure} its legs, what each carries and the
     *     procedure that makes it, and the one that opens them; null where nothing says how all of them are made
     */
    private function meant(End $end, CableType $cable, array $fittings): array
    {
        $legs = $ends = [];
        foreach ($fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                if ($leg->made !== null) {
                    $ends[] = [self::carries($leg->fit), $leg->made->procedure->id];
                    $legs[] = $leg->leg;
                }
            }
        }
        $isAll = count($legs) === count($end->legs);

        return [$legs, $ends, $isAll ? $this->procedure($cable, $legs, $ends) : null];
    }

    /**
     * The procedure that opens the cable, where there is one for all that its legs carry.
     *
     * @param  list<Leg>  $legs
     * @param  list<array{HazardDomain, string}>  $ends  what each carries, and the procedure that makes it
     */
    private function procedure(CableType $cable, array $legs, array $ends): ?MakingProcedure
    {
        foreach ($this->installation->catalogue->procedures() as $procedure) {
            $meant = [];
            foreach ($ends as [$carries, $id]) {
                foreach ($procedure->legs as $i => $making) {
                    if ($making->isOf($carries, $id)) {
                        $meant[$i][] = $id;
                    }
                }
            }
            $isAll = count(array_merge(...array_values($meant), ...[[]])) === count($ends);
            $isMeant = $isAll && count($legs) > 1 && count($meant) === count($procedure->legs);
            if ($isMeant && $procedure->opensLegs() && self::isInJackets($cable, $legs)) {
                return $procedure;
            }
        }

        return null;
    }

    private static function carries(LegFit $fit): HazardDomain
    {
        $isMains = $fit->layout->types['']->domain === HazardDomain::Mains;

        return $isMains ? HazardDomain::Mains : HazardDomain::Signal;
    }

    /**
     * Each leg is one element with a jacket of its own: it can be cut as a whole.
     *
     * @param  list<Leg>  $legs
     */
    private static function isInJackets(CableType $cable, array $legs): bool
    {
        $end = AsCut::of($cable);
        foreach ($legs as $leg) {
            if (count($leg->elements) !== 1 || $end->piece(PieceKind::InnerSheath, $leg->elements[0]) === null) {
                return false;
            }
        }

        return true;
    }

    /**
     * Sleeving is one piece for both ends: it comes over the first that is opened.
     *
     * @param  array<int|string, SlideOn>  $parts
     * @return array<int|string, Arrival>
     */
    private function arrivals(array $parts, Run $run, Side $side, CableType $cable): array
    {
        $arrivals = array_fill_keys(array_keys($parts), Arrival::SlidHere);

        return isset($parts[self::SLEEVING]) && $side === Side::B && $this->comesFromA($run, $cable)
            ? [...$arrivals, self::SLEEVING => Arrival::There]
            : $arrivals;
    }

    /** Sleeving comes over the first end that is opened. */
    private function comesFromA(Run $run, CableType $cable): bool
    {
        $joints = PinoutMaker::make($this->installation, $run, Side::A, $cable)->joints;
        $made = (new EndMaker($this->installation))->of($run, Side::A, $cable, $joints);

        return $this->meant($run->a, $cable, $made)[2] !== null;
    }

    /**
     * @param  list<Leg>  $legs
     * @param  list<array{HazardDomain, string}>  $ends
     * @return array<int|string, SlideOn> first on first
     */
    private function parts(CableType $cable, array $legs, array $ends, LegFit $first, bool $isSleeved): array
    {
        $all = $this->installation->catalogue->parts();
        $over = $cable->outerDiameter;
        $connector = $first->layout->types[''];
        $parts = [];
        $sleeve = $isSleeved ? SleeveChoice::among($all, $over) : null;
        if ($sleeve !== null) {
            $parts[self::SLEEVING] = new SlideOn(
                $sleeve,
                true,
                'over the whole run, before either end is made',
                0,
                'It comes from a free end: once both ends carry connectors, it has to be cut open.',
            );
        }
        $boot = self::boot($all, $over, $cable->jacket, count($legs));
        $neck = $boot === null ? null : ShrinkChoice::among($all, $over->times(self::NECK), $over, true);
        foreach (['neck' => $neck, 'boot' => $boot] as $name => $part) {
            if ($part !== null) {
                $parts[$name] = SlideOn::onto($part, $connector, $name === 'neck'
                    ? 'a short piece, for the neck of the boot'
                    : sprintf('%d tails through it', count($legs)));
            }
        }
        $edge = $sleeve === null ? null : ShrinkChoice::among($all, $over->times(SleeveChoice::OVER), $over, true);
        if ($edge !== null) {
            $parts['edge'] = SlideOn::onto($edge, $connector, 'a short piece, for the end of the sleeving');
        }
        foreach ($legs as $i => $leg) {
            $girth = $ends[$i][0] === HazardDomain::Signal ? $cable->diameter($leg->elements[0]) : null;
            $own = match (true) {
                $sleeve === null || $girth === null => null,
                $leg->sleeve !== null => LegSleeving::chosen($leg, $cable, $this->installation->catalogue),
                default => SleeveChoice::among($all, $girth),
            };
            if ($own !== null) {
                $parts[self::LEG_SLEEVING] = new SlideOn(
                    $own,
                    true,
                    sprintf('over leg %s, as long as that is', $leg->label),
                    0,
                    'Its end lies under the boot, so it comes before that.',
                );
            }
        }

        return $parts;
    }

    /** @param  array<int|string, Part>  $parts */
    private static function boot(array $parts, Length $over, string $jacket, int $tails): ?Part
    {
        foreach ($parts as $part) {
            if ($part->kind === PartKind::Breakout && $part->tails === $tails && $part->fitsOver($over, $jacket)) {
                return $part;
            }
        }

        return null;
    }

    /** @return array<class-string<School>, School> */
    private static function answers(MakingProcedure $procedure, HouseRules $rules): array
    {
        $answers = [];
        foreach ($procedure->asks() as $question) {
            $answers[$question] = $rules->on($question);
        }

        return $answers;
    }

    /**
     * @param  list<Leg>  $legs
     * @param  array<int|string, Length>  $lengths
     * @return array<int|string, Length> by element; nothing where no leg says how long it is
     */
    private static function lengths(array $legs, array $lengths): array
    {
        $known = [];
        $longest = Length::zero();
        foreach ($legs as $leg) {
            $length = $lengths[$leg->id] ?? $leg->length;
            $longest = $length->compare($longest) > 0 ? $length : $longest;
            if (! $length->isZero()) {
                $known[$leg->elements[0]] = $length;
            }
        }
        foreach ($legs as $leg) {
            // It is cut to what is measured, and until then as long as the longest.
            if ($leg->onEquipment && ! $longest->isZero()) {
                $known[$leg->elements[0]] = $longest;
            }
        }

        return $known;
    }
}
