<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench\Formerly;

use Sartal\Core\Given\Catalogue\Former\Layer;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Former;

/**
 * The steps of a job as recipes had them, by what they did: an end that was begun by them is gone on with, and none of
 * its steps is done again because it is called otherwise.
 */
final class FormerSteps
{
    /** What a recipe called the layers that pieces of these kinds are of. */
    private const LAYERS = [
        PieceKind::Sheath->value => [Layer::Sheath],
        PieceKind::InnerSheath->value => [Layer::InnerSheath],
        PieceKind::Braid->value => [Layer::Screen, Layer::OuterScreen],
        PieceKind::Lapped->value => [Layer::Screen, Layer::OuterScreen],
        PieceKind::Foil->value => [Layer::Screen, Layer::OuterScreen],
        PieceKind::Separator->value => [Layer::Separator],
        PieceKind::ConductiveLayer->value => [Layer::ConductiveLayer],
        PieceKind::Dielectric->value => [Layer::Dielectric],
        PieceKind::Insulation->value => [Layer::Insulation],
    ];

    /** Takes a layer off, or lets one get at what is in it. */
    private const OPENING = [Verb::Remove, Verb::Tear, Verb::Open, Verb::Score, Verb::Slit];

    /** Comes before anything is taken off. */
    private const BEFORE = [Verb::Mark, Verb::Measure, Verb::Turn, Verb::LookOver, Verb::Tape];

    /** @var array<int|string, list<FormerStep>> leg or fitting and kind → steps, in their order */
    private array $of = [];

    /** @var array<int|string, FormerStep> by id */
    private array $byId = [];

    /** @param  list<FormerStep>  $steps  of the job */
    public function __construct(array $steps)
    {
        foreach ($steps as $step) {
            $id = $step->step->text();
            if (isset($this->byId[$id])) {
                continue;
            }
            $this->byId[$id] = $step;
            $at = $step->step->kind->value;
            $this->of[$step->fitting.'|'.$at][] = $step;
            $this->of[self::leg($step->run, $step->side, $step->leg).'|'.$at][] = $step;
        }
    }

    private static function leg(string $run, Side $side, string $leg): string
    {
        return implode('|', ['leg', $run, $side->value, $leg]);
    }

    /** @return list<Former> what is called the same */
    public function same(StepId $step): array
    {
        return isset($this->byId[$step->text()]) ? [$this->byId[$step->text()]->former] : [];
    }

    /** @return list<Former> of a kind, at a connector */
    public function at(string $fitting, StepKind ...$kinds): array
    {
        $found = [];
        foreach ($kinds as $kind) {
            array_push($found, ...$this->of[$fitting.'|'.$kind->value] ?? []);
        }

        return array_map(self::former(...), $found);
    }

    /** @return list<Former> what brought a part up, at a connector */
    public function bringing(string $fitting, string $part): array
    {
        $found = array_filter(
            $this->of[$fitting.'|'.StepKind::BringUp->value] ?? [],
            static fn (FormerStep $step): bool => $step->part === $part,
        );

        return array_map(self::former(...), array_values($found));
    }

    /**
     * What prepared the same of a leg: by the layer that it took off; else what was done to its cores.
     *
     * @param  list<PieceKind>  $kinds  that the step acts on
     * @return list<Former>
     */
    public function preparing(string $run, Side $side, string $leg, Verb $verb, array $kinds): array
    {
        $of = fn (StepKind $kind): array => $this->of[self::leg($run, $side, $leg).'|'.$kind->value] ?? [];
        $bare = $of(StepKind::Bare);
        $found = match (true) {
            $verb === Verb::Tin, $verb === Verb::Wet => $of(StepKind::Tin),
            $verb === Verb::CutOff => $of(StepKind::Discard) ?: array_slice($bare, 0, 1),
            in_array($verb, self::OPENING, true) => self::taking($bare, $kinds),
            in_array($verb, self::BEFORE, true) => array_slice($bare, 0, 1),
            // A mark at the cores themselves said how far they are untwisted.
            $verb === Verb::Untwist => self::marksOf($bare, Layer::Conductor),
            default => [],
        };

        return array_map(self::former(...), $found ?: $of(StepKind::Dress));
    }

    /**
     * @param  list<FormerStep>  $bare
     * @return list<FormerStep>
     */
    private static function marksOf(array $bare, Layer $layer): array
    {
        return array_values(array_filter($bare, static fn (FormerStep $step): bool => $step->layer === $layer));
    }

    /**
     * @param  list<FormerStep>  $bare  one for each mark of the recipe
     * @param  list<PieceKind>  $kinds
     * @return list<FormerStep>
     */
    private static function taking(array $bare, array $kinds): array
    {
        foreach ($bare as $step) {
            foreach ($kinds as $kind) {
                if (in_array($step->layer, self::LAYERS[$kind->value] ?? [], true)) {
                    return [$step];
                }
            }
        }

        // What no mark spoke of came off with the one before it.
        return in_array(PieceKind::Insulation, $kinds, true) ? [] : array_slice($bare, 0, 1);
    }

    private static function former(FormerStep $step): Former
    {
        return $step->former;
    }
}
