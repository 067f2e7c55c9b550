<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\ViewDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Http\Requests\Plan\KeptView;
use App\Http\Requests\Plan\ViewRemoval;
use App\Http\Resources\Plan\ViewResource;
use App\Models\Membership;

/**
 * Ways of looking at the schedule that somebody keeps under a name, for themselves or for the crew.
 *
 * @phpstan-import-type SavedViewShown from ViewResource
 */
final class ViewController
{
    /** @return Answer<array{views: list<SavedViewShown>}> one's own first, then what others share */
    public function index(ViewDesk $desk, Membership $member): Answer
    {
        $views = [];
        foreach ($desk->all() as $view) {
            $views[] = ViewResource::of($view, $member->user);
        }

        return new Answer(['views' => $views]);
    }

    /** @return Answer<SavedViewShown> */
    public function keep(
        #[Body(KeptView::class)] KeptView $sent,
        ViewDesk $desk,
        Membership $member,
        string $id,
    ): Answer {
        return new Answer(ViewResource::of($desk->keep($id, $sent), $member->user));
    }

    /** @return Answer<array{removed: true}> */
    public function remove(#[Body(ViewRemoval::class)] ViewRemoval $sent, ViewDesk $desk, string $id): Answer
    {
        $desk->remove($id, $sent->version);

        return new Answer(['removed' => true]);
    }
}
