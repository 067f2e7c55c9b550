<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Given\Schools\JointShrink;

/** What goes on a leg before its connector, first on first. Source: common practice. */
final readonly class SlideOns
{
    public function __construct(private Catalogue $catalogue, private HouseRules $rules)
    {
    }

    /** @return list<SlideOn> */
    public function of(LegFit $fit): array
    {
        $side = $fit->connector->cable;
        $whole = $fit->layout->types[''];
        $parts = [];
        // The hood of a modular connector is the frame's, whatever insert the leg goes to.
        foreach ($fit->connector === $whole ? $side->slides : [...$whole->cable->slides, ...$side->slides] as $id) {
            $usual = $this->catalogue->part($id);
            $part = $usual === null ? null : $fit->parts($usual->kind, [$id])[0] ?? $usual;
            if ($part !== null) {
                $parts[] = SlideOn::onto($part, $whole);
            }
        }
        $over = $fit->diameter();
        foreach ([[PartKind::Ferrule, $side->ferrules], [PartKind::Chuck, $side->chucks]] as [$kind, $listed]) {
            $part = $over === null ? null : self::fitting($fit->parts($kind, $listed), $over, $fit->cable);
            if ($part !== null) {
                $parts[] = SlideOn::onto($part, $whole, self::tab($part, $over));
            }
        }

        return [...$parts, ...$this->shrink($fit)];
    }

    /** What holds an end together where its legs leave the sheath. */
    public function breakout(CableType $cable, int $legs): ?SlideOn
    {
        if ($legs < 3) {
            return null;
        }
        $boots = array_values(
            array_filter(
                $this->catalogue->parts(),
                static fn (Part $part): bool => $part->kind === PartKind::Breakout &&
                    ($part->tails === 0 || $part->tails >= $legs),
            ),
        );
        $boot = self::fitting($boots, $cable->outerDiameter, $cable);

        return $boot === null
            ? null
            : new SlideOn(
                $boot,
                true,
                sprintf('over the sheath, then %d tails through it', $legs),
                1,
                sprintf('Its %s do not pass the connectors of the tails.', $boot->bore()?->canonical() ?? 'bore'),
            );
    }

    /** @return list<SlideOn> */
    private function shrink(LegFit $fit): array
    {
        $rule = $this->rules->on(JointShrink::class);
        if ($rule === JointShrink::None || ! $this->isSoldered($fit)) {
            return [];
        }
        $cores = [];
        foreach ($fit->landed as $landed) {
            if ($landed->conductor->isBare() || $rule === JointShrink::Each) {
                $cores[] =
                    $landed->conductor->element->diameter ?? Length::millimetres($landed->conductor->gauge->diameter());
            }
        }
        $over = $rule === JointShrink::WholeTail ? array_filter([$fit->diameter()]) : $cores;
        $counts = [];
        foreach ($over as $diameter) {
            $part = $this->sleeve($diameter, $fit);
            if ($part !== null) {
                $counts[$part->id] = ($counts[$part->id] ?? 0) + 1;
            }
        }

        return array_map(
            fn (string $id): SlideOn => new SlideOn(
                $this->catalogue->thePart($id),
                true,
                $counts[$id] === 1 ? '' : $counts[$id].' pieces, one per joint',
                $counts[$id],
                'It covers the joint, and a joint can be covered from one side only.',
                $rule === JointShrink::WholeTail ? SlideOver::Joints : SlideOver::Cores,
            ),
            Names::from($counts),
        );
    }

    private function isSoldered(LegFit $fit): bool
    {
        foreach ($fit->landed as $landed) {
            if ($fit->layout->terminal($landed->address)?->joining->isHot() === true) {
                return true;
            }
        }

        return false;
    }

    /** The narrowest shrink that passes it and grips it; one that was chosen by hand and does so goes before. */
    private function sleeve(Length $diameter, LegFit $fit): ?Part
    {
        foreach ($fit->parts(PartKind::Shrink, []) as $chosen) {
            if ($chosen->grips?->takes($diameter) === true) {
                return $chosen;
            }
        }
        $best = null;
        foreach ($this->catalogue->parts() as $part) {
            if (
                $part->kind === PartKind::Shrink &&
                $part->grips?->takes($diameter) === true &&
                ($best === null || $part->grips->most->compare($best->grips->most ?? $part->grips->most) < 0)
            ) {
                $best = $part;
            }
        }

        return $best;
    }

    /** @param  list<Part>  $parts */
    private static function fitting(array $parts, Length $over, CableType $cable): ?Part
    {
        foreach ($parts as $part) {
            if ($part->fitsOver($over, $cable->jacket)) {
                return $part;
            }
        }

        return null;
    }

    private static function tab(Part $part, Length $over): string
    {
        return $part->cutTab !== null && $over->compare($part->cutTab) > 0
            ? sprintf('cut its tab away: the cable is over %s', $part->cutTab->canonical())
            : '';
    }
}
