<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\LabelForm;
use Sartal\Core\Given\Schools\LabelMaterial;

/** Which label goes on a cable: of the house's kind where one fits, else whatever fits. Source: common practice. */
final readonly class LabelParts
{
    public function __construct(private Catalogue $catalogue, private HouseRules $rules)
    {
    }

    /**
     * The narrowest that goes round; null where none does. Over ends that are made already nothing slides.
     */
    public function of(Run $run, Length $diameter, string $jacket): ?Part
    {
        return $this->over($diameter, $jacket, $run->build === Build::Found);
    }

    /** @param  bool  $isClosed  both its ends are made: what goes on opens along its side */
    public function over(Length $diameter, string $jacket, bool $isClosed = false): ?Part
    {
        $kind = $this->rules->on(LabelMaterial::class);
        $best = null;
        foreach ($this->catalogue->parts() as $part) {
            $wraps = $part->face?->form !== LabelForm::Wrap || Wrapping::fits($part->face, $diameter);
            if (
                $part->kind === PartKind::Label &&
                $wraps &&
                ($part->split || ! $isClosed) &&
                $part->fitsOver($diameter, $jacket) &&
                ($best === null || self::rank($part, $kind) < self::rank($best, $kind))
            ) {
                $best = $part;
            }
        }

        return $best;
    }

    /** Of a leg that has one of its own; null where none goes round it. */
    public function ofLeg(Run $run, CableType $cable, Leg $leg): ?Part
    {
        $over = count($leg->elements) === 1 ? $cable->diameter($leg->elements[0]) : null;

        return $this->of($run, $over ?? $cable->outerDiameter, $cable->jacket);
    }

    /** @return list<mixed> less is better */
    private static function rank(Part $part, LabelMaterial $kind): array
    {
        return [$part->face?->form !== $kind->form(), ! $part->split, $part->grips?->most->nanometres ?? 0, $part->id];
    }
}
