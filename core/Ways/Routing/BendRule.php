<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Given\Measure\Length;

/**
 * The least radius that a cable is bent to: its type's own figure; else four
 * diameters for four-pair cable (TIA-568), ten for coax that is pulled and for
 * multicores (common practice).
 */
final readonly class BendRule
{
    private const FOUR_PAIR = 4;

    private const OTHERS = 10;

    private function __construct(public Length $radius, public string $source)
    {
    }

    /**
     * The least radius of cables that lie together: the stiffest decides.
     *
     * @param  list<CableType>  $cables
     * @return Figure mm
     */
    public static function among(array $cables): Figure
    {
        $terms = [];
        $most = 0.0;
        foreach ($cables as $cable) {
            $rule = self::for($cable);
            $terms[$cable->id] = new FigureTerm(
                $cable->name,
                '⌀ '.$cable->outerDiameter->canonical(),
                $rule->radius->canonical(),
                $rule->source,
            );
            $most = max($most, $rule->radius->inMillimetres());
        }

        return new Figure(
            $most,
            'mm',
            [
                ...array_values($terms),
                new FigureTerm('least radius', 'the stiffest decides', Figure::amount($most, 'mm'), ''),
            ],
            0,
        );
    }

    public static function for(CableType $cable): self
    {
        if ($cable->bendRadius !== null) {
            return new self($cable->bendRadius, 'stated by the cable type');
        }
        $pairs = array_filter(
            $cable->construction->children,
            static fn ($child): bool => $child->kind === ElementKind::Pair,
        );
        $coaxes = array_filter($cable->elements(), static fn ($element): bool => $element->kind === ElementKind::Coax);

        return count($pairs) === 4 && $coaxes === [] && $cable->category !== ''
            ? new self($cable->outerDiameter->times(self::FOUR_PAIR), 'four diameters of four-pair cable, TIA-568')
            : new self($cable->outerDiameter->times(self::OTHERS), 'ten diameters, common practice');
    }
}
