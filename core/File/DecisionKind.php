<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/**
 * Everything that people decide, by kind: what it is called, where a file
 * lists it and how it is read, whether work can rely on it. The one list of
 * kinds; a new one is a case here and a line in each method.
 */
enum DecisionKind: string
{
    case Run = 'run';
    case Location = 'location';
    case Way = 'way';
    case Junction = 'junction';
    case Loom = 'loom';
    case Panel = 'tail-panel';
    case Equipment = 'equipment';
    case Circuit = 'circuit';
    case Fitting = 'fitting';
    case Reel = 'reel';
    case Instrument = 'instrument';
    case Pattern = 'pattern';
    case ContactCheck = 'contact-check';
    case Why = 'why';
    case Cable = 'cable';
    case Connector = 'connector';
    case Signal = 'signal';
    case ContactPlan = 'plan';
    case Part = 'part';
    case Recipe = 'recipe';
    case Procedure = 'procedure';
    case Rules = 'rules';
    case Connections = 'panel';
    case Economy = 'economy';
    case Workshop = 'workshop';
    case Testing = 'testing';

    /** @return list<self> of these rows, one for each thing */
    public static function entries(): array
    {
        return self::at(DecisionHome::Entry);
    }

    /** @return list<self> */
    public static function types(): array
    {
        return self::at(DecisionHome::Type);
    }

    /** @return list<self> types that there are today; a recipe is read where somebody decided on one before */
    public static function offered(): array
    {
        return array_values(array_filter(self::types(), static fn (self $kind): bool => $kind !== self::Recipe));
    }

    /** @return list<self> what runs share and a planner keeps beside them, each by a form of its own */
    public static function shared(): array
    {
        return [
            self::Location,
            self::Junction,
            self::Way,
            self::Loom,
            self::Panel,
            self::Reel,
            self::Instrument,
            self::Pattern,
        ];
    }

    public function home(): DecisionHome
    {
        return match ($this) {
            self::Run => DecisionHome::Run,
            self::Location,
            self::Junction,
            self::Way,
            self::Panel,
            self::Loom,
            self::Reel,
            self::Instrument,
            self::Pattern,
            self::ContactCheck,
            self::Why,
            self::Circuit,
            self::Equipment,
            self::Fitting => DecisionHome::Entry,
            self::Cable,
            self::Connector,
            self::Signal,
            self::ContactPlan,
            self::Part,
            self::Recipe,
            self::Procedure => DecisionHome::Type,
            self::Rules, self::Connections, self::Economy, self::Workshop, self::Testing => DecisionHome::Whole,
        };
    }

    /** Under which a file lists it, in its catalogue where it is a type; "" where it is no list. */
    public function list(): string
    {
        return match ($this) {
            self::Equipment => 'equipment',
            self::ContactCheck => 'checked',
            self::Panel => 'panels',
            self::Rules, self::Connections, self::Economy, self::Workshop, self::Testing => '',
            default => $this->value.'s',
        };
    }

    /** One of them, as it is said. */
    public function words(): string
    {
        return match ($this) {
            self::Panel => 'panel',
            self::Equipment => 'equipment',
            self::Fitting => 'connector',
            self::ContactCheck => 'check of contacts',
            self::Why => 'reason',
            self::Cable => 'cable type',
            self::Connector => 'connector type',
            self::ContactPlan => 'contact plan',
            self::Rules => 'house rules',
            self::Connections => 'what is plugged together',
            self::Testing => 'test plan',
            default => $this->value,
        };
    }

    /** Whether work that is done can rely on it. What is bought, counted and employed overtakes nothing. */
    public function overtakes(): bool
    {
        return ! $this->isLive() && ! in_array($this, [self::Testing, self::ContactCheck, self::Why], true);
    }

    /** Whether it is today's even while a release is worked from: stock and instruments come and go, the plan stays. */
    public function isLive(): bool
    {
        return in_array($this, [self::Reel, self::Instrument, self::Pattern, self::Economy, self::Workshop], true);
    }

    /** Whether one says why of it; what is only said of others needs no reason of its own. */
    public function hasReason(): bool
    {
        return ! in_array($this, [self::ContactCheck, self::Why, self::Recipe], true);
    }

    /** @return list<self> */
    private static function at(DecisionHome $home): array
    {
        return array_values(array_filter(self::cases(), static fn (self $kind): bool => $kind->home() === $home));
    }
}
