<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\TerminalKind;

/**
 * Each conductor against its terminal and the contact or die that it is made
 * with; several in one terminal must fit it together. Source: common practice.
 */
final class GaugeRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $judged = [];
        foreach ($this->byAddress($fit) as $address => $area) {
            $terminal = $fit->layout->terminal((string) $address);
            $like = ($terminal->name ?? '').' '.$area;
            if ($terminal !== null && ! isset($judged[$like])) {
                $judged[$like] = true;
                $misfit = $this->judge($fit, $terminal, $area);
                if ($misfit !== null) {
                    yield $misfit;
                }
            }
        }
    }

    /** @return array<array-key, float> address → mm² that land on it */
    private function byAddress(LegFit $fit): array
    {
        $areas = [];
        foreach ($fit->landed as $landed) {
            // A screen is thinned to its terminal: what it was before says nothing.
            if (! $landed->conductor->isBare()) {
                $areas[$landed->address] = ($areas[$landed->address] ?? 0.0) + $landed->conductor->gauge->area;
            }
        }

        return $areas;
    }

    private function judge(LegFit $fit, TerminalKind $terminal, float $area): ?Misfit
    {
        $size = number_format($area, 2).' mm²';
        $type = $fit->connector;
        if ($terminal->gauge->isTooThick($area)) {
            return Misfit::stop(
                'fit.gauge-too-thick',
                sprintf(
                    '%s of copper land on a %s of %s, which takes %s.',
                    $size,
                    $terminal->name,
                    $type->name,
                    $terminal->gauge->text(),
                ),
                'Splice on a thinner wire, choose a thinner cable, or a connector with larger terminals.',
            );
        }
        if ($terminal->gauge->isTooThin($area)) {
            return Misfit::stop(
                'fit.gauge-too-thin',
                sprintf(
                    '%s of copper land on a %s of %s, which takes %s.',
                    $size,
                    $terminal->name,
                    $type->name,
                    $terminal->gauge->text(),
                ),
                'Choose a connector for thinner conductors, or double the end back where the terminal allows it.',
            );
        }
        $contacts = $fit->parts(PartKind::Contact, $terminal->parts);
        foreach ($contacts as $contact) {
            if ($contact->gauge === null || $contact->gauge->takesArea($area)) {
                return null;
            }
        }

        return $contacts === []
            ? null
            : Misfit::stop(
                'fit.contact-gauge',
                sprintf('%s does not crimp %s.', $contacts[0]->name, $size),
                'Choose the contact for that gauge.',
            );
    }
}
