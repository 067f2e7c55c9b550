<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\EndDesk;
use App\Changes\LegDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Controllers\Addressed;
use App\Http\Requests\Plan\EndAnswers;
use App\Http\Requests\Plan\HandMadeJoint;
use App\Http\Requests\Plan\LegMadeBy;
use App\Http\Requests\Plan\LegReach;
use App\Http\Requests\Plan\LegSleeve;
use App\Http\Resources\Plan\RunResource;
use App\Planning\Loaded;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Run;

/**
 * What is decided of one end of a run by itself, and of its legs.
 *
 * @phpstan-import-type RunPage from RunResource
 */
final readonly class EndController
{
    public function __construct(private EndDesk $ends, private LegDesk $legs)
    {
    }

    /**
     * Whether a leg is measured on the equipment before it is cut, and what was measured there.
     *
     * @return Answer<RunPage>
     */
    public function reach(
        #[Body(LegReach::class)] LegReach $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = Addressed::run($loaded, $id);
        $end = Addressed::side($side);
        [$leg, $on, $measured] = [$sent->leg, $sent->onEquipment, trim($sent->measured)];

        return RunResource::written(
            $this->legs->reach($loaded, $author, $run, $end, $leg, $on, $measured, $sent->version),
        );
    }

    /**
     * One joint made by hand, with the reason; without one, the plans decide again.
     *
     * @return Answer<RunPage>
     */
    public function except(
        #[Body(HandMadeJoint::class)] HandMadeJoint $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = Addressed::run($loaded, $id);
        $end = Addressed::side($side);
        $conductor = $sent->conductor;
        $joint = null;
        if (! $sent->back) {
            $to = $sent->to === '' ? null : $sent->to;
            $reason = $sent->reason;
            if ($reason === '') {
                throw BadLine::because('reason', '', 'Say why: the reason stands on the sheet.');
            }
            if ($to !== null && ! $this->isPlace($to, $loaded)) {
                throw BadLine::because('to', $to, 'There is no such contact. Choose one of the fittings’.');
            }
            $joint = new HandJoint($conductor, $to, $reason);
        }
        $done = $this->ends->join($loaded, $author, $run, $end, $conductor, $joint, $sent->version);

        return RunResource::written($done);
    }

    /**
     * Legs of one end made by another procedure than their connector names.
     *
     * @return Answer<RunPage>
     */
    public function procedure(
        #[Body(LegMadeBy::class)] LegMadeBy $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = Addressed::run($loaded, $id);
        $end = Addressed::side($side);

        return RunResource::written(
            $this->legs->makeBy($loaded, $author, $run, $end, $sent->legs, $sent->procedure, $sent->version),
        );
    }

    /**
     * What one end does otherwise than the house, the loom or the family.
     *
     * @return Answer<RunPage>
     */
    public function answers(
        #[Body(EndAnswers::class)] EndAnswers $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = Addressed::run($loaded, $id);

        return RunResource::written($this->ends->answer(
            $loaded,
            $author,
            $run,
            Addressed::side($side),
            $sent->question,
            $sent->answer,
            $sent->version,
        ));
    }

    /**
     * Legs sleeved, each by itself, or no longer.
     *
     * @return Answer<RunPage>
     */
    public function sleeve(
        #[Body(LegSleeve::class)] LegSleeve $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = Addressed::run($loaded, $id);
        $end = Addressed::side($side);
        $sleeve = $sent->sleeved ? $sent->sleeve : null;
        $done = $this->legs->sleeve($loaded, $author, $run, $end, $sent->legs, $sleeve, $sent->version);

        return RunResource::written($done);
    }

    private function isPlace(string $to, Loaded $loaded): bool
    {
        $place = JoiningPlace::from($to);
        if ($place->isSplice()) {
            return in_array($place->splice, $loaded->installation->splices(), true);
        }
        $found = $loaded->installation->fitting($place->fitting);

        return $found !== null &&
            FittingLayout::unfolded($found, $loaded->installation->catalogue)?->has($place->address) === true;
    }
}
