<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Planning\Loaded;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\Latitude;
use Sartal\Core\Given\Schools\School;

/**
 * What a planner decides about one end by hand, against the plans or the house. Each is one change that can be undone.
 */
final readonly class EndDesk
{
    public function __construct(private EndEdits $edits)
    {
    }

    /**
     * Joins one conductor otherwise than the plans would, or goes back to the plans.
     *
     * @param  ?HandJoint  $joint  null: as the plans have it
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function join(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        string $conductor,
        ?HandJoint $joint,
        int $version,
    ): RunWritten {
        $cable = $loaded->installation->catalogue->cables()[$run->cable] ?? null;
        if (! isset($cable?->conductors()[$conductor])) {
            throw BadLine::because('conductor', $conductor, 'The cable has no such conductor. Load the page again.');
        }
        $how = $joint === null ? 'as the plans have it' : 'joined by hand';
        $words = sprintf('%s end %s: %s %s', $run->code, $side->value, $conductor, $how);

        return $this->edits->write(
            $loaded,
            $by,
            $run,
            $side,
            $run->end($side)->joinedByHand($conductor, $joint),
            $words,
            $version,
        );
    }

    /**
     * One of the house's questions, answered for this end; "" leaves it to the loom, the family or the house.
     *
     * @throws BadLine where there is no such question or answer, or both ends have to agree on it
     * @throws StaleWrite
     */
    public function answer(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        string $question,
        string $answer,
        int $version,
    ): RunWritten {
        $school = HouseRules::school($question);
        if ($school === null || $school::latitude() !== Latitude::End) {
            throw BadLine::because('question', $question, $school === null
                ? 'There is no such question. Load the page again.'
                : 'This is answered for a cable as a whole. Answer it for the loom, the family or the house.');
        }
        $choice = $answer === '' ? null : $school::tryFrom($answer);
        if ($answer !== '' && $choice === null) {
            throw BadLine::because('answer', $answer, 'There is no such answer. Choose one that is offered.');
        }
        $end = $run->end($side);
        $own = array_values(array_filter($end->own, static fn (School $each): bool => $each::class !== $school));
        $words = sprintf(
            '%s end %s: %s %s',
            $run->code,
            $side->value,
            $school::question(),
            $choice?->words() ?? 'as elsewhere',
        );

        return $this->edits->write(
            $loaded,
            $by,
            $run,
            $side,
            $end->answering($choice === null ? $own : [...$own, $choice]),
            $words,
            $version,
        );
    }
}
