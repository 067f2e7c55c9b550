<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Planning\Loaded;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/**
 * What a planner decides about one end by hand, against the plans or the recipes. Each is one change that can be
 * undone.
 */
final readonly class EndDesk
{
    public function __construct(private ChangeLog $log)
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

        return $this->write(
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
     * Prepares some legs of an end by another recipe; "" goes back to the connector's own.
     *
     * @param  list<string>  $legs
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function prepareBy(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        array $legs,
        string $recipe,
        int $version,
    ): RunWritten {
        $known = $loaded->installation->catalogue->recipes();
        if ($recipe !== '' && ! isset($known[$recipe])) {
            throw BadLine::because('recipe', $recipe, 'There is no such recipe. Choose one from the catalogue.');
        }
        $made = array_map(
            static fn (Leg $leg): Leg => in_array($leg->id, $legs, true) ? $leg->withRecipe($recipe) : $leg,
            $run->end($side)->legs,
        );
        $how = $recipe === '' ? 'as its connector has it' : 'by '.$known[$recipe]->name;
        $words = sprintf('%s end %s prepared %s', $run->code, $side->value, $how);

        return $this->write($loaded, $by, $run, $side, $run->end($side)->withLegs($made), $words, $version);
    }

    private function write(
        Loaded $loaded,
        Author $by,
        Run $run,
        Side $side,
        End $end,
        string $words,
        int $version,
    ): RunWritten {
        $made = $run->withEnd($side, $end);

        return new RunWritten(
            $run->id,
            $this->log->write(
                Decision::on(
                    $loaded,
                    $by,
                    $words,
                    [RunEdits::run($made, $version)],
                    pins: RunEdits::used($loaded->installation, $made),
                ),
            ),
        );
    }
}
