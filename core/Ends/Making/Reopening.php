<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\Procedures\EndDemand;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;

/**
 * What putting a defect right goes back to: found from what the steps do, and written nowhere. What only lies
 * otherwise, is joined with solder, screwed or pushed in is done again; what was cut, bared, tinned or crimped is not
 * undone: the end is cut back to whole sheath and made anew, while what lies on the cable stays there. Source: common
 * practice.
 */
final readonly class Reopening
{
    /**
     * @param  list<string>  $steps  that are done again, in their order
     * @param  bool  $cutsBack  the end is cut off, and made from the beginning
     * @param  Length  $lost  what that uses up of the cable; nothing where it is not cut
     * @param  list<string>  $scraps  parts that go with it; "contact" for all that are crimped on cores
     */
    private function __construct(public array $steps, public bool $cutsBack, public Length $lost, public array $scraps)
    {
    }

    /** @return ?self null where nothing of this end is looked at for such a defect */
    public static function of(Made $made, MakingProcedure $procedure, string $defect): ?self
    {
        $origins = self::origins($made, $procedure, $defect);
        if ($origins === []) {
            return null;
        }
        foreach ($origins as $step) {
            if ($step->step->verb->isForGood()) {
                return self::anew($made);
            }
        }

        return new self(
            array_values(array_map(
                static fn (StepMade $step): string => $step->step->id,
                self::followers($made, array_keys($origins)),
            )),
            false,
            Length::zero(),
            [],
        );
    }

    /** @return array<int, StepMade> place among the steps → what made it so */
    private static function origins(Made $made, MakingProcedure $procedure, string $defect): array
    {
        $ids = [];
        foreach ($made->steps as $step) {
            if ($step->step->catches === $defect) {
                array_push($ids, ...$step->step->redo === [] ? [$step->step->id] : $step->step->redo);
            }
        }
        $origins = array_filter(
            $made->steps,
            static fn (StepMade $step): bool => in_array($step->step->id, $ids, true),
        );
        foreach ($ids === [] ? $procedure->demands : [] as $demand) {
            $last = $demand->defect === $defect ? self::lastOf($made, $demand) : null;
            $origins += $last === null ? [] : [$last => $made->steps[$last]];
        }
        ksort($origins);

        return $origins;
    }

    /** The last step that made a length of what a demand looks at what it is. */
    private static function lastOf(Made $made, EndDemand $demand): ?int
    {
        $last = null;
        foreach ($made->steps as $i => $step) {
            $looked = array_map(
                static fn ($piece): string => $piece->key(),
                Picked::by($demand->of, $step->before->end, $step->doing->station),
            );
            if ($step->step->verb->isForGood() && array_intersect($step->regions()->writes, $looked) !== []) {
                $last = $i;
            }
        }

        return $last;
    }

    /**
     * What was done again is looked at again, and what came after on what it changes is done again.
     *
     * @param  list<int>  $origins
     * @return array<int, StepMade>
     */
    private static function followers(Made $made, array $origins): array
    {
        $again = [];
        $changed = [];
        foreach ($made->steps as $i => $step) {
            $regions = $step->regions();
            $touches = array_intersect([...$regions->reads, ...$regions->writes], $changed) !== [];
            if (in_array($i, $origins, true) || ($touches && ! $step->step->verb->isForGood())) {
                $again[$i] = $step;
                array_push($changed, ...$regions->writes);
            }
        }

        return $again;
    }

    /** What was slid on stays on the cable, but for what was crimped there. */
    private static function anew(Made $made): self
    {
        $crimped = array_map(strval(...), array_keys($made->result->crimped));
        $isScrap = static fn (string $part): bool => $part !== '' && in_array($part, $crimped, true);
        $steps = $scraps = [];
        foreach ($made->steps as $step) {
            $stays = in_array($step->step->verb, [Verb::Slide, Verb::Turn], true);
            if (! $stays || $isScrap($step->step->part)) {
                $steps[] = $step->step->id;
            }
            if ($step->isOneStroke()) {
                $scraps['connector'] = 'connector';
            } elseif ($step->step->verb === Verb::Crimp) {
                $part = $step->step->part === '' ? 'contact' : $step->step->part;
                $scraps[$part] = $part;
            }
        }
        $end = $made->result->end;

        return new self(
            $steps,
            true,
            ($end->piece(PieceKind::Sheath)->edge ?? $end->cut)->minus($end->cut),
            array_values($scraps),
        );
    }
}
