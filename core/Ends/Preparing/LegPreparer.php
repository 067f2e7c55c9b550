<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\JoinOrder;

/** Everything that is done to one leg before and while it is joined, from the catalogue and the house rules. */
final readonly class LegPreparer
{
    public function __construct(private Catalogue $catalogue, private HouseRules $rules)
    {
    }

    /**
     * @param  list<Joint>  $joints  of the leg
     * @param  array<int|string, SignalType>  $signals  circuit → signal
     */
    public function prepare(
        LegFit $fit,
        array $joints,
        array $signals,
        ?ContactPlan $plan,
        string $exit = '',
    ): LegPreparation {
        $order = new WorkOrder($this->rules->on(JoinOrder::class), $fit->layout, self::ranks($signals), $plan);
        $cores = array_map(
            fn (Joint $joint): CoreCut => new CoreCut(
                $joint,
                $fit->connector->cable->staggered ? $this->inHood($fit, $joint, $exit) : null,
            ),
            $order->sorted($joints),
        );
        $slides = (new SlideOns($this->catalogue, $this->rules))->of($fit);
        [$contacts, $counts] = $this->contacts($fit);

        return new LegPreparation(
            $fit->connector->id,
            $fit->prepares(),
            $cores,
            $slides,
            $contacts,
            $counts,
            $this->tools($fit, $slides, $contacts),
            $this->cautions($fit, $slides),
        );
    }

    private function inHood(LegFit $fit, Joint $joint, string $exit): ?Worked
    {
        $at = $fit->layout->types['']->cable->exit($exit);

        return $at instanceof HoodExit ? (new HoodLengths($fit->layout, $at))->to($joint->address()) : null;
    }

    /** @return array{list<Part>, array<int|string, int>} contacts, and how many of each */
    private function contacts(LegFit $fit): array
    {
        $needed = $counts = $filled = [];
        foreach ($fit->landed as $landed) {
            if (isset($filled[$landed->address])) {
                // Conductors that go to one place share its contact.
                continue;
            }
            $terminal = $fit->layout->terminal($landed->address);
            foreach ($terminal === null ? [] : $fit->parts(PartKind::Contact, $terminal->parts) as $part) {
                // A screen is thinned to its contact.
                $takes = $landed->conductor->isBare() || $part->gauge?->takes($landed->conductor->gauge) !== false;
                if ($takes) {
                    $needed[$part->id] = $part;
                    $counts[$part->id] = ($counts[$part->id] ?? 0) + 1;
                    $filled[$landed->address] = true;
                    break;
                }
            }
        }

        return [array_values($needed), $counts];
    }

    /**
     * @param  list<SlideOn>  $slides
     * @param  list<Part>  $contacts
     * @return list<string>
     */
    private function tools(LegFit $fit, array $slides, array $contacts): array
    {
        $tools = [];
        $solder = $this->rules->on(ContactsMade::class) === ContactsMade::SolderAll;
        foreach ($contacts as $contact) {
            $tools[] = $solder ? 'iron at 350 °C, fine tip' : $contact->tool;
        }
        foreach ($fit->landed as $landed) {
            $tools[] = $fit->layout->terminal($landed->address)->tool ?? '';
        }
        foreach ($slides as $slide) {
            $tools[] = $slide->part->tool;
        }
        foreach (array_keys($fit->connector->cable->hardware) as $id) {
            $tools[] = $this->catalogue->part((string) $id)->tool ?? '';
        }

        return array_values(array_unique(array_filter($tools, static fn (string $tool): bool => $tool !== '')));
    }

    /**
     * @param  list<SlideOn>  $slides
     * @return list<string>
     */
    private function cautions(LegFit $fit, array $slides): array
    {
        $cautions = $fit->connector->cautions;
        foreach ($slides as $slide) {
            if ($slide->part->kind === PartKind::Shrink) {
                $cautions[] =
                    'Heat gun: park shrink well away from the joint, and keep the heat off insulation and sleeving.';
            }
        }
        foreach ($fit->landed as $landed) {
            if ($landed->conductor->domain === HazardDomain::Mains) {
                $cautions[] =
                    'Insulation, earth continuity and polarity are proven by a licensed person before it is first '.
                        'energised.';
            }
        }

        return array_values(array_unique($cautions));
    }

    /**
     * @param  array<int|string, SignalType>  $signals
     * @return array<int|string, int> the screen first, then as the signals list their functions
     */
    private static function ranks(array $signals): array
    {
        $ranks = [];
        foreach ($signals as $signal) {
            foreach ($signal->functions as $i => $function) {
                $ranks[$function->name] ??= $function->pole === SignalFunction::SCREEN ? -1 : $i;
            }
        }

        return $ranks;
    }
}
