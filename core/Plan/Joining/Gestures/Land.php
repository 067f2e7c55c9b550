<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Channels;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\NewFitting;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/**
 * A cable, or some of its elements, land in a connector that is there or a new one: each on a channel of a contact
 * plan. Wherever they were before, they are no more. What comes to the same connector by the same plan is one leg,
 * but for coaxes: each of those is made by itself.
 */
final readonly class Land implements Gesture
{
    /**
     * @param  list<string>  $elements  paths in the cable's construction; "" is the whole of it
     * @param  string|NewFitting  $into  id of a connector
     * @param  string  $plan  contact plan id, of that connector
     * @param  list<string>  $channels  one for each element; none: the next that are free
     * @param  string  $signal  that elements carry which carry nothing yet; "": what the others of the cable carry
     * @param  bool  $byPlan  false: only the leg goes there, and each contact is said by hand
     * @param  ?Length  $length  of the leg, from the end of the sheath; null: as it was, or as its neighbours are
     */
    public function __construct(
        private RunEnd $at,
        private array $elements,
        private string|NewFitting $into,
        private string $plan,
        private array $channels = [],
        private string $signal = '',
        private ?Length $length = null,
        private bool $byPlan = true,
    ) {
    }

    /** Both as one, where they go by channels to one connector: two that change places do so at once. */
    public function plus(self $other): ?self
    {
        $alike = $this->at == $other->at && $this->into === $other->into && $this->plan === $other->plan &&
            $this->channels !== [] && $other->channels !== [] && $this->byPlan && $other->byPlan &&
            array_intersect($this->elements, $other->elements) === [];

        return ! $alike ? null : new self(
            $this->at,
            [...$this->elements, ...$other->elements],
            $this->into,
            $this->plan,
            [...$this->channels, ...$other->channels],
            $this->signal,
            $this->length,
        );
    }

    public function draw(Sketch $on): void
    {
        $cable = $on->cable($this->at);
        $elements = Hands::known($this->elements, $cable);
        $plan = $on->plan($this->plan);
        $before = $on->end($this->at);
        $on->put($this->at, Hands::unsaid(Hands::takenOut($before, $elements, $on->run($this->at), $cable), $elements));
        $fitting = $this->fitting($on, $plan);
        $carriers = $this->carriers($on, $elements);
        $channels = $this->byPlan
            ? Channels::of($on, $fitting, $plan)->choose($carriers, $this->channels)
            : [];
        $end = $on->end($this->at);
        foreach (self::legs($elements, $cable) as $of) {
            $end = $this->landed($end, $before, $of, $fitting, $plan, $carriers, $channels, $cable);
        }
        $on->put($this->at, Hands::whole($end, $on->run($this->at), $cable));
    }

    public function words(Installation $in): string
    {
        return sprintf('%s landed at %s', $this->what($in), $this->at->words($in));
    }

    private function what(Installation $in): string
    {
        $cable = $in->catalogue->cable($in->run($this->at->run)->cable ?? '');
        $labels = array_map(
            static fn (string $path): string => $path === '' ? 'the cable' : $cable?->element($path)->label ?? $path,
            $this->elements,
        );

        return count($labels) > 2 ? sprintf('%s to %s', $labels[0], $labels[count($labels) - 1]) : implode(
            ' and ',
            $labels,
        );
    }

    /** @throws CannotJoin */
    private function fitting(Sketch $on, ContactPlan $plan): Fitting
    {
        $id = $this->into instanceof NewFitting
            ? $on->bring(
                new NewFitting(
                    $this->into->connector === '' ? $plan->connector : $this->into->connector,
                    $this->into->label,
                    $this->into->location,
                    $this->into->inserts + $plan->inserts,
                ),
                $this->at,
            )
            : $this->into;
        $fitting = $on->fitting($id);
        if ($fitting->connector !== $plan->connector) {
            throw CannotJoin::because(
                'plan',
                $plan->name,
                sprintf('It is not a plan of the connector of %s. Choose one of its plans.', $fitting->label),
            );
        }
        foreach ($plan->inserts as $bay => $insert) {
            $there = $fitting->inserts[$bay] ?? $insert;
            if ($there !== $insert) {
                throw CannotJoin::because(
                    'plan',
                    $plan->name,
                    sprintf(
                        'It presumes another insert in bay %s of %s. Change the insert first.',
                        $bay,
                        $fitting->label,
                    ),
                );
            }
        }
        $whole = $fitting->holding($fitting->inserts + $plan->inserts)
            ->sharing(array_values(array_unique([...$fitting->shared, ...$plan->shared])));
        $on->putFitting($whole);

        return $whole;
    }

    /**
     * The elements that carry a circuit, of those that land; one that carries none yet gets one of its own.
     *
     * @param  non-empty-list<string>  $elements
     * @return array<int|string, string> element → signal, in the order in which they land
     *
     * @throws CannotJoin
     */
    private function carriers(Sketch $on, array $elements): array
    {
        $carriers = [];
        foreach ($elements as $element) {
            $found = false;
            foreach ($on->run($this->at)->carries as $carriage) {
                if (ElementPath::meetsAny($carriage->element, [$element])) {
                    $carriers[$carriage->element] = $on->now()->circuit($carriage->circuit)->signal ?? '';
                    $found = true;
                }
            }
            if (! $found && $on->cable($this->at)->element($element)?->kind->isConductor() === false) {
                $signal = $this->signalOf($on, $element);
                $on->carry($this->at, $element, $signal);
                $carriers[$element] = $signal;
            }
        }

        return $carriers;
    }

    /** @throws CannotJoin */
    private function signalOf(Sketch $on, string $element): string
    {
        $signal = $this->signal;
        foreach ($on->run($this->at)->carries as $carriage) {
            $signal = $signal !== '' ? $signal : ($on->now()->circuit($carriage->circuit)->signal ?? '');
        }

        return $on->now()->catalogue->signal($signal)->id ?? throw CannotJoin::because(
            'signal',
            $element,
            'Nothing is said of what it carries. Choose a signal for it.',
        );
    }

    /**
     * @param  non-empty-list<string>  $elements
     * @return list<non-empty-list<string>> elements of one leg each
     */
    private static function legs(array $elements, CableType $cable): array
    {
        $coaxes = $others = [];
        foreach ($elements as $element) {
            if ($cable->element($element)?->kind === ElementKind::Coax) {
                $coaxes[] = [$element];
            } else {
                $others[] = $element;
            }
        }

        return $others === [] ? $coaxes : [$others, ...$coaxes];
    }

    /**
     * @param  End  $before  as it was before anything was taken out
     * @param  non-empty-list<string>  $elements
     * @param  array<int|string, string>  $carriers
     * @param  array<int|string, string>  $channels
     */
    private function landed(
        End $end,
        End $before,
        array $elements,
        Fitting $fitting,
        ContactPlan $plan,
        array $carriers,
        array $channels,
        CableType $cable,
    ): End {
        $own = array_intersect_key(
            $channels,
            array_filter(
                $carriers,
                static fn (int|string $path): bool => ElementPath::meetsAny((string) $path, $elements),
                ARRAY_FILTER_USE_KEY,
            ),
        );
        $legs = $end->legs;
        $isCoax = $cable->element($elements[0])?->kind === ElementKind::Coax;
        foreach ($isCoax || $this->into instanceof NewFitting ? [] : $legs as $i => $leg) {
            if ($leg->landing?->fitting === $fitting->id && $leg->landing->plan === $plan->id) {
                $legs[$i] = $leg->holding(
                    [...$leg->elements, ...$elements],
                    new Landing($fitting->id, $plan->id, $leg->landing->channels + $own),
                );

                return $end->withLegs(array_values($legs));
            }
        }
        $landing = new Landing($fitting->id, $plan->id, $own);
        foreach ($before->legs as $leg) {
            // It was a leg by itself: the same leg goes elsewhere.
            if ($leg->elements === $elements) {
                $moved = $leg->holding($elements, $landing);

                return $end->withLegs([...$legs, $this->length === null ? $moved : $moved->withLength($this->length)]);
            }
        }
        $number = Hands::freeLeg($end);
        $length = $this->length ?? $before->legs[0]->length ?? Length::zero();

        return $end->withLegs([...$legs, new Leg('leg-'.$number, $number, $elements, $length, $landing)]);
    }
}
