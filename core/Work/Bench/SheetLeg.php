<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/** One leg on a sheet. */
final readonly class SheetLeg
{
    /**
     * @param  MadeEnd  $done  as the bench does it
     * @param  ?MadeEnd  $made  by its procedure, whether that makes it right or not; null where none is for it
     * @param  ?Worked  $tail  behind a panel; null where nothing but its stated length is known
     * @param  ?LegSleeving  $sleeving  of its own, where nothing that opens the end puts it on
     */
    public function __construct(
        public Leg $leg,
        public LegPreparation $preparation,
        public MadeEnd $done,
        public ?MadeEnd $made = null,
        public ?Worked $tail = null,
        public ?LegSleeving $sleeving = null,
    ) {
    }

    /** @return list<string> that it takes, each once, as they are first taken up */
    public function tools(): array
    {
        $tools = [
            ...array_map(static fn (StepMade $step): string => $step->step->tool, $this->done->made->steps),
            ...$this->preparation->tools,
        ];

        return array_values(array_unique(array_filter($tools, static fn (string $tool): bool => $tool !== '')));
    }

    /** How far a core comes out of the sheath as its procedure leaves it; null where nothing makes it right. */
    public function reach(CoreCut $core): ?Length
    {
        if ($this->made === null || ! $this->isRight()) {
            return null;
        }
        $end = $this->made->made->result->end;
        $sheath = $end->piece(PieceKind::Sheath) ?? $end->piece(PieceKind::InnerSheath);
        foreach ([PieceKind::Metal, PieceKind::Drain, PieceKind::Braid] as $kind) {
            $piece = $end->piece($kind, $core->joint->conductor);
            if ($piece !== null && $sheath !== null) {
                return $sheath->edge->minus($piece->edge);
            }
        }

        return null;
    }

    /** The same as a sum: of a hood, from its exit to the terminal; elsewhere as the procedure has it. */
    public function worked(CoreCut $core): Worked
    {
        return $core->reach ?? Worked::sum([
            new Term(
                'core',
                'out of the sheath',
                $this->reach($core) ?? Length::zero(),
                'procedure '.($this->made->procedure->name ?? ''),
            ),
        ]);
    }

    /** Whether nothing that its procedure does lacks anything, and the end is as its connector demands. */
    public function isRight(): bool
    {
        return $this->made?->made->isRight() === true;
    }
}
