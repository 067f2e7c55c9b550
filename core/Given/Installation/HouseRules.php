<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Schools\CoilTie;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\CompositeSleeve;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\JoinOrder;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\LabelMaterial;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\ScreenAndDrain;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Given\Schools\SecondEnd;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Given\Schools\TestedBy;

/** Conventions chosen once for an installation, and where it departs from them; every sheet follows. */
final readonly class HouseRules
{
    /** @var list<class-string<School>> in the order in which they are asked */
    public const SCHOOLS = [
        ColourScheme::class,
        HotColour::class,
        ShellBond::class,
        ScreenAndDrain::class,
        JoinOrder::class,
        ScreenTinning::class,
        ContactsMade::class,
        JointShrink::class,
        MainsEnds::class,
        SecondEnd::class,
        LengthPractice::class,
        LabelMaterial::class,
        LabelTurn::class,
        TestedBy::class,
        CoilTie::class,
        CompositeSleeve::class,
    ];

    /** @var array<class-string<School>, School> only what departs from the usual */
    private array $chosen;

    /**
     * @param  float  $routeAllowance  per cent added to the ways for bends and dressing
     * @param  Length  $cutStep  cut lengths are rounded up to it
     * @param  Length  $trimAllowance  added at each end where ends are cut long
     * @param  Length  $payOut  more for a run whose ends are made in place: it is paid out long and trimmed there
     * @param  Length  $usable  an offcut from here on goes back on the shelf; shorter is scrap
     * @param  Length  $reelMargin  stays on every reel, for an end that is damaged and a reel that is short
     * @param  LabelScheme  $labels  what is printed on them
     * @param  list<Departure>  $departures  where a school differs within the installation
     */
    public function __construct(
        public float $routeAllowance,
        public Length $cutStep,
        public Length $trimAllowance,
        public Length $payOut,
        public Length $usable,
        public Length $reelMargin,
        public LabelScheme $labels,
        public array $departures,
        School ...$choices,
    ) {
        $chosen = [];
        foreach ($choices as $choice) {
            $chosen[$choice::class] = $choice;
        }
        $this->chosen = array_filter($chosen, static fn (School $choice): bool => $choice !== $choice::usual());
    }

    public static function defaults(): self
    {
        return new self(
            3.0,
            Length::millimetres(50),
            Length::millimetres(20),
            Length::millimetres(500),
            Length::metres(3),
            Length::zero(),
            new LabelScheme(),
            [],
        );
    }

    /** @return ?class-string<School> by its key */
    public static function school(string $key): ?string
    {
        foreach (self::SCHOOLS as $school) {
            if ($school::key() === $key) {
                return $school;
            }
        }

        return null;
    }

    public function with(School ...$choices): self
    {
        return $this->copy([], ...$choices);
    }

    public function withLabels(LabelScheme $labels): self
    {
        return $this->copy(['labels' => $labels]);
    }

    /** @param  list<Departure>  $departures */
    public function departing(array $departures): self
    {
        return $this->copy(['departures' => $departures]);
    }

    /** The house's own answers. */
    public function atLarge(): self
    {
        return $this->departures === [] ? $this : $this->departing([]);
    }

    /**
     * As they hold for one cable, or one end of it: the family's answers above the house's, the loom's above the
     * family's, the end's own above all.
     *
     * @param  string  $loom  "" where it is in none
     * @param  list<School>  $own  of the end
     */
    public function for(string $family, string $loom, array $own = []): self
    {
        if ($this->departures === [] && $own === []) {
            return $this;
        }
        $choices = array_map(
            static fn (Departure $departure): School => $departure->choice,
            $this->departuresFor($family, $loom),
        );

        return $this->copy(['departures' => []], ...$choices, ...$own);
    }

    /**
     * What departs from the house for one cable on a question; null where the house's answer holds.
     *
     * @param  class-string<School>  $school
     * @param  string  $loom  "" where it is in none
     */
    public function departure(string $school, string $family, string $loom): ?Departure
    {
        $holds = null;
        foreach ($this->departuresFor($family, $loom) as $departure) {
            $holds = $school === $departure->choice::class ? $departure : $holds;
        }

        return $holds;
    }

    /** @return list<Departure> the family's first, so that the loom's stand above them */
    private function departuresFor(string $family, string $loom): array
    {
        $mine = [];
        foreach (DepartureOf::cases() as $of) {
            foreach ($this->departures as $departure) {
                if ($departure->of === $of && $departure->isFor($family, $loom)) {
                    $mine[] = $departure;
                }
            }
        }

        return $mine;
    }

    /**
     * What was chosen comes after the rest, one by one, so this copies by hand what {@see Withers} copies by name.
     *
     * @param  array<string, mixed>  $changes  property → what it is in the copy
     */
    private function copy(array $changes, School ...$choices): self
    {
        $rest = array_diff_key(get_object_vars($this), ['chosen' => true]);
        $all = [...array_values(array_replace($rest, $changes)), ...array_values($this->chosen), ...$choices];

        return (new \ReflectionClass($this))->newInstanceArgs($all);
    }

    /** @return array<int|string, string|int> question's key → answer, of what departs from the usual */
    public function answers(): array
    {
        $answers = [];
        foreach ($this->chosen as $choice) {
            $answers[$choice::key()] = $choice->value;
        }
        ksort($answers);

        return $answers;
    }

    /**
     * What the house chose on one question.
     *
     * @template T of School
     *
     * @param  class-string<T>  $school
     * @return T
     */
    public function on(string $school): School
    {
        $choice = $this->chosen[$school] ?? null;

        return $choice instanceof $school ? $choice : $school::usual();
    }
}
