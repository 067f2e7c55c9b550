<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\RecipeStep;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;

/** One leg on a sheet. */
final readonly class SheetLeg
{
    /**
     * @param  ?Worked  $tail  behind a panel; null where nothing but its stated length is known
     * @param  ?MadeEnd  $made  by its procedure; null where none is for it
     */
    public function __construct(
        public Leg $leg,
        public LegPreparation $preparation,
        public ?Worked $tail = null,
        public ?MadeEnd $made = null,
    ) {
    }

    /** @return list<string> that it takes, each once, as they are first taken up */
    public function tools(): array
    {
        $tools = $this->preparation->tools;
        if ($this->made !== null && $this->isMade()) {
            // What the recipe would take up is not; what a terminal or a part asks for is.
            $recipe = array_map(
                static fn (RecipeStep $step): string => $step->tool,
                $this->preparation->recipe->steps ?? [],
            );
            $tools = [
                ...array_map(static fn (StepMade $step): string => $step->step->tool, $this->made->made->steps),
                ...array_diff($tools, $recipe),
            ];
        }

        return array_values(array_unique(array_filter($tools, static fn (string $tool): bool => $tool !== '')));
    }

    /** How far a core comes out of the sheath: what its procedure leaves of it, else what the recipe says. */
    public function reach(CoreCut $core): Length
    {
        $end = $this->isMade() ? $this->made?->made->result->end : null;
        $sheath = $end?->piece(PieceKind::Sheath);
        foreach ([PieceKind::Metal, PieceKind::Drain, PieceKind::Braid] as $kind) {
            $piece = $end?->piece($kind, $core->joint->conductor);
            if ($piece !== null && $sheath !== null) {
                return $sheath->edge->minus($piece->edge);
            }
        }

        return $core->length->result;
    }

    /** Whether the sheet follows its procedure; else it follows the recipe. */
    public function isMade(): bool
    {
        return $this->made?->made->isRight() === true;
    }
}
