<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Compatibility\LegFit;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Catalogue\Layer;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Recipe;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
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
     * @param  string  $recipe  chosen for the leg; "" as the connector has it
     */
    public function prepare(
        LegFit $fit,
        array $joints,
        array $signals,
        ?ContactPlan $plan,
        string $exit = '',
        string $recipe = '',
    ): LegPreparation {
        $chosen = $this->recipe($fit, $recipe);
        $order = new WorkOrder($this->rules->on(JoinOrder::class), $fit->layout, self::ranks($signals), $plan);
        $cores = [];
        foreach ($order->sorted($joints) as $joint) {
            $cores[] = new CoreCut(
                $joint,
                $this->length($fit, $joint, $signals[$joint->circuit] ?? null, $chosen, $exit),
            );
        }
        $chosen = self::longEnough($chosen, $cores);
        $slides = (new SlideOns($this->catalogue, $this->rules))->of($fit);
        [$contacts, $counts] = $this->contacts($fit);

        return new LegPreparation(
            $chosen,
            $cores,
            $slides,
            $contacts,
            $counts,
            $this->tools($fit, $chosen, $slides, $contacts),
            $this->cautions($fit, $slides),
        );
    }

    private function recipe(LegFit $fit, string $chosen): ?Recipe
    {
        $usual = $fit->connector->cable->recipes[$fit->cable->prepares($fit->elements[0] ?? '')] ?? '';

        return $this->catalogue->recipe($chosen) ?? $this->catalogue->recipe($usual);
    }

    /**
     * The sheath comes off at least as far back as the longest core needs.
     *
     * @param  list<CoreCut>  $cores
     */
    private static function longEnough(?Recipe $recipe, array $cores): ?Recipe
    {
        $sheath = $recipe?->mark(Layer::Sheath);
        if ($recipe === null || $sheath === null) {
            return $recipe;
        }
        $longest = Length::zero();
        foreach ($cores as $core) {
            $longest = $core->length->result->compare($longest) > 0 ? $core->length->result : $longest;
        }
        $longest = $longest->roundedUpTo(Length::millimetres(1));

        return $longest->compare($sheath) > 0 ? $recipe->lengthenedBy($longest->minus($sheath)) : $recipe;
    }

    /** From the end of the sheath to the end of the core. */
    private function length(LegFit $fit, Joint $joint, ?SignalType $signal, ?Recipe $recipe, string $exit): Worked
    {
        $terms = [];
        $own = $recipe->cores[$joint->function] ?? null;
        $hood = $fit->connector->cable->staggered ? $this->inHood($fit, $joint, $exit) : null;
        if ($own !== null) {
            $terms[] = new Term('core', 'for '.$joint->function, $own, 'recipe '.($recipe->name ?? ''));
        } elseif ($hood !== null) {
            array_push($terms, ...$hood->terms);
        } else {
            $terms[] = new Term(
                'core',
                'equal for all',
                $recipe?->mark(Layer::Sheath) ?? Length::zero(),
                'recipe '.($recipe->name ?? ''),
            );
        }
        if (
            $recipe !== null &&
            ! $recipe->earthLonger->isZero() &&
            self::function($signal, $joint)?->protective === true
        ) {
            $terms[] = new Term(
                'longer',
                'protective earth parts last',
                $recipe->earthLonger,
                'recipe '.$recipe->name,
            );
        }

        return Worked::sum($terms);
    }

    private function inHood(LegFit $fit, Joint $joint, string $exit): ?Worked
    {
        $at = $fit->layout->types['']->cable->exit($exit);

        return $at instanceof HoodExit ? (new HoodLengths($fit->layout, $at))->to($joint->address()) : null;
    }

    private static function function(?SignalType $signal, Joint $joint): ?SignalFunction
    {
        foreach ($signal->functions ?? [] as $function) {
            if ($function->name === $joint->function) {
                return $function;
            }
        }

        return null;
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
    private function tools(LegFit $fit, ?Recipe $recipe, array $slides, array $contacts): array
    {
        $tools = [];
        foreach ($recipe->steps ?? [] as $step) {
            $tools[] = $step->tool;
        }
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
