<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Measure;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\MeasureKind;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\TerminalReach;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;

/**
 * A recipe that somebody wrote, as a procedure: the steps of the one that is for such ends, with the recipe's own
 * lengths wherever it gave one.
 */
final readonly class RecipeAsProcedure
{
    /** What a recipe's layers are pieces of. */
    private const PIECES = [
        Layer::Sheath->value => [PieceKind::Sheath],
        Layer::InnerSheath->value => [PieceKind::InnerSheath],
        Layer::Screen->value => [PieceKind::Braid, PieceKind::Lapped, PieceKind::Foil],
        Layer::OuterScreen->value => [PieceKind::Braid, PieceKind::Lapped, PieceKind::Foil],
        Layer::Separator->value => [PieceKind::Separator],
        Layer::ConductiveLayer->value => [PieceKind::ConductiveLayer],
        Layer::Dielectric->value => [PieceKind::Dielectric],
        Layer::Insulation->value => [PieceKind::Insulation],
    ];

    /** What takes a layer off: how much of it is left for its own terminal is another length. */
    private const OPENING = [Verb::Mark, Verb::Remove, Verb::Tear, Verb::Score, Verb::Slit];

    private function __construct(private Recipe $recipe)
    {
    }

    public static function of(Recipe $recipe, MakingProcedure $like): MakingProcedure
    {
        $as = new self($recipe);

        return $like->refigured(
            self::id($recipe->id, $like->id),
            $recipe->name,
            trim('recipe of the house; '.$recipe->source, '; '),
            array_map($as->step(...), $like->steps),
            $as->reaches(),
        );
    }

    public static function id(string $recipe, string $like): string
    {
        return $recipe.'-as-'.$like;
    }

    private function step(MakingStep $step): MakingStep
    {
        $measure = $step->measure;
        if ($measure === null) {
            return $step;
        }
        if ($step->verb === Verb::CutOff && $measure->from === MeasuredFrom::CutEnd) {
            return $this->recipe->discard->isZero() ? $step : $step->measuring($measure->of($this->recipe->discard));
        }
        $length = in_array($step->verb, self::OPENING, true) ? $this->length($step, $measure) : null;

        return $length === null || $length->isNegative() ? $step : $step->measuring($measure->of($length));
    }

    /** Null where the recipe says nothing of it. */
    private function length(MakingStep $step, Measure $measure): ?Length
    {
        foreach ($this->recipe->steps as $mark) {
            if (! self::isOf($step->of->kinds, self::PIECES[$mark->layer->value] ?? [])) {
                continue;
            }
            $sheath = $this->recipe->mark(Layer::Sheath);

            return match (true) {
                // Both lead into the cable from where it is cut.
                $measure->from === MeasuredFrom::CutEnd && $measure->kind === MeasureKind::Mark => $mark->at,
                $measure->from === MeasuredFrom::OwnEnd && $measure->kind === MeasureKind::Along => $mark->at,
                $measure->from === MeasuredFrom::SheathEdge && $sheath !== null => $sheath->minus($mark->at),
                default => null,
            };
        }

        return null;
    }

    /**
     * @param  list<PieceKind>  $kinds  that a step acts on
     * @param  list<PieceKind>  $layer
     */
    private static function isOf(array $kinds, array $layer): bool
    {
        $others = array_filter($kinds, static fn (PieceKind $kind): bool => ! in_array($kind, $layer, true));

        return $kinds !== [] && $others === [];
    }

    /** @return list<TerminalReach> */
    private function reaches(): array
    {
        return self::reachesOf($this->recipe, []);
    }

    /**
     * How long it left the cores that go as far as their own terminals.
     *
     * @param  list<string>  $of  cables that prepare so; empty: any
     * @return list<TerminalReach> the first that is meant counts
     */
    public static function reachesOf(Recipe $recipe, array $of): array
    {
        // Of a leg that has a sheath of its own, cores stand out of that.
        $sheath = $recipe->mark(Layer::InnerSheath) ?? $recipe->mark(Layer::Sheath) ?? Length::zero();
        $outer = $recipe->mark(Layer::Sheath) ?? $sheath;
        $reaches = [];
        foreach ($recipe->cores as $function => $length) {
            $inside = $length->minus($outer->minus($sheath));
            $reaches[] = new TerminalReach($inside, $inside->canonical(), $of, (string) $function);
        }
        if (! $recipe->earthLonger->isZero()) {
            $longer = $sheath->plus($recipe->earthLonger);
            $reaches[] = new TerminalReach($longer, $longer->canonical(), $of, '', Onto::Earth);
        }

        return [...$reaches, ...$sheath->isZero() ? [] : [new TerminalReach($sheath, $sheath->canonical(), $of)]];
    }
}
