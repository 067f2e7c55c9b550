<?php

declare(strict_types=1);

namespace App\Changes;

use App\Contract\Refusal;
use App\Http\Requests\Plan\ColumnShown;
use App\Http\Requests\Plan\KeptView;
use App\Http\Requests\Plan\SortedBy;
use App\Http\Requests\Plan\ViewShows;
use App\Models\Membership;
use App\Models\Role;
use App\Models\SavedView;
use App\Models\StoredInstallation;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Ways of looking at a schedule that somebody of its crew keeps under a name.
 *
 * @phpstan-import-type ScheduleView from SavedView
 *
 * @phpstan-type Kept array{name: string, shared: bool, shows: ScheduleView}
 */
final readonly class ViewDesk
{
    /** Of one person in one installation. */
    private const MOST = 60;

    public function __construct(private StoredInstallation $stored, private Membership $member)
    {
    }

    /** @return Collection<int, SavedView> one's own first, then what others share */
    public function all(): Collection
    {
        $views = $this->views()->with('user');
        $views
            ->where(fn (Builder $of): Builder => $of
                ->where('shared', true)
                ->orWhere('user_id', $this->member->user_id))
            ->orderByRaw('user_id <> ?', [$this->member->user_id])
            ->orderBy('name')
            ->orderBy('id');

        return $views->get();
    }

    /** Sent again, it is the same view. */
    public function keep(string $id, KeptView $sent): SavedView
    {
        if ($sent->shared && ! $this->member->hasRole(Role::Planner, Role::Lead)) {
            throw Refusal::of('shared', 'A planner or the lead keeps views for the whole crew. Keep it for yourself.');
        }
        $view = ['name' => $sent->name, 'shared' => $sent->shared, 'shows' => self::shows($sent->shows)];

        return DB::transaction(function () use ($id, $sent, $view): SavedView {
            $held = SavedView::query();
            $held->lockForUpdate();
            $last = $held->find($id);
            if ($last === null) {
                $sent->version === 0 ? $this->add($id, $view) : throw self::late($view, null);
            } elseif ($last->installation_id !== $this->stored->id || ! $this->isOwn($last)) {
                abort(403, 'Only who keeps a view changes it. Keep what you see under a name of your own.');
            } elseif (self::kept($last) != $view) {
                $last->version === $sent->version ? $this->change($last, $view) : throw self::late($view, $last);
            }

            return $this->views()->with('user')->findOrFail($id);
        });
    }

    /** What is gone already stays gone. */
    public function remove(string $id, int $version): void
    {
        $view = $this->views()->find($id);
        if ($view === null) {
            return;
        }
        if (! $this->isOwn($view) && ! ($view->shared && $this->member->hasRole(Role::Lead))) {
            abort(403, 'Who keeps a view takes it away, or the lead where the crew shares it.');
        }
        if ($view->version !== $version) {
            throw self::late(self::kept($view), $view);
        }
        $view->delete();
    }

    /** @return Builder<SavedView> */
    private function views(): Builder
    {
        return SavedView::query()->where('installation_id', $this->stored->id);
    }

    private function isOwn(SavedView $view): bool
    {
        return $view->user_id === $this->member->user_id;
    }

    /** @param  Kept  $view */
    private function add(string $id, array $view): void
    {
        if ($this->views()->where('user_id', $this->member->user_id)->count() >= self::MOST) {
            throw Refusal::of('name', sprintf('You keep %d views here. Take one away first.', self::MOST));
        }
        $this->mustBeFree($id, $view['name']);
        $added = SavedView::query()->insertOrIgnore([
            ...$view,
            'id' => $id,
            'installation_id' => $this->stored->id,
            'user_id' => $this->member->user_id,
            'shows' => json_encode($view['shows'], JSON_THROW_ON_ERROR),
            'version' => 1,
        ]);
        if ($added === 0) {
            throw Refusal::of('name', 'You kept a view elsewhere at the same moment. Look at yours, then keep this.');
        }
    }

    /** @param  Kept  $view */
    private function change(SavedView $last, array $view): void
    {
        $this->mustBeFree($last->id, $view['name']);
        $last->update([...$view, 'version' => $last->version + 1]);
    }

    private function mustBeFree(string $id, string $name): void
    {
        $own = $this->views()->where('user_id', $this->member->user_id);
        if ($own->where('name', $name)->where('id', '!=', $id)->exists()) {
            throw Refusal::of('name', sprintf('You keep a view called "%s" already. Name this one otherwise.', $name));
        }
    }

    /** @return Kept */
    private static function kept(SavedView $view): array
    {
        return ['name' => $view->name, 'shared' => $view->shared, 'shows' => $view->shows];
    }

    /** @param  Kept  $yours */
    private static function late(array $yours, ?SavedView $theirs): Refusal
    {
        return Refusal::late(
            $theirs === null ? 'This view was taken away meanwhile.' : 'This view was changed since you took it up.',
            self::laid($yours),
            $theirs === null ? null : self::laid(self::kept($theirs)),
            $theirs?->version,
        );
    }

    /**
     * @param  Kept  $view
     * @return array<string, string> so that two versions can be laid beside each other
     */
    private static function laid(array $view): array
    {
        return [
            'name' => $view['name'],
            'shared' => $view['shared'] ? 'yes' : 'no',
            'filter' => $view['shows']['words'],
            'columns' => implode(', ', array_column($view['shows']['columns'], 'key')),
            'order' => implode(', ', array_column($view['shows']['sort'], 'key')),
            'together' => $view['shows']['group'],
        ];
    }

    /** @return ScheduleView */
    private static function shows(ViewShows $sent): array
    {
        return [
            'words' => $sent->words,
            'columns' => array_map(
                static fn (ColumnShown $each): array => ['key' => $each->key->value, 'width' => $each->width],
                $sent->columns,
            ),
            'sort' => array_map(
                static fn (SortedBy $each): array => ['key' => $each->key->value, 'down' => $each->down],
                $sent->sort,
            ),
            'group' => $sent->group->value,
        ];
    }
}
