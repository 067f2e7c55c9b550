<?php

declare(strict_types=1);

namespace App\Changes;

use App\Bench\Times;
use App\Models\Draft;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\Uncollected;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Planning\Consequences;
use Sartal\Core\Plan\Planning\Rerouted;
use Sartal\Core\Work\Bench\TimeBook;

/** Looks at a decision before it is written, whoever makes it and wherever: every one passes here. */
final readonly class Foresight
{
    public function __construct(private InstallationStore $store, private Times $times, private Concerns $concerns)
    {
    }

    /**
     * @param  ?Concern  $concern  all that it has to do with, where that is known
     * @return ?Loaded as it would be, where all of it was looked at
     *
     * @throws Overtakes where somebody asked first, and work is overtaken
     * @throws PutAside where somebody wants it put aside
     */
    public function weigh(Decision $decision, ?Concern $concern): ?Loaded
    {
        if ($decision->by->intent === Intent::Park) {
            throw $this->aside($decision);
        }
        if (! $decision->by->intent->asks() || ! $decision->canOvertake()) {
            return null;
        }
        if ($concern !== null && ! $this->overtakes($concern)) {
            return null;
        }
        if ($concern !== null && $decision->by->intent === Intent::Ask) {
            throw new Overtakes($decision->words, $this->concerned($concern->inWays()));
        }
        $on = $decision->on;
        // Pieces that could be exchanged are looked for in everything.
        $before = $on === null || $on->beyond !== null ? $this->store->load($decision->in) : $on;
        $after = $this->ahead($before, $decision->edits, $decision->pins);
        $impact = $this->impact($before, $after);
        if (! $impact->isNothing()) {
            throw new Overtakes($decision->words, $impact);
        }

        return $after;
    }

    /**
     * What a decision would overtake, with what can be done about it.
     *
     * @param  bool  $all  look for pieces of other runs as well: all of it is read for them
     */
    public function impactOf(Decision $decision, bool $all): Impact
    {
        $concern = $all ? null : $this->concerns->of($decision);
        if ($concern !== null) {
            return $this->concerned($concern->inWays());
        }
        $before = $this->store->load($decision->in);

        return $this->impact($before, $this->ahead($before, $decision->edits, $decision->pins));
    }

    private function concerned(Concern $concern): Impact
    {
        [$before, $after] = [$concern->before, $concern->after];

        return Uncollected::run(
            fn (): Impact => (new ImpactPlanner(
                new Work($after->installation, $after->plan(), $after->record),
                $this->times->lately($before->stored),
                $before->plan(),
                false,
            ))->after(new Work($before->installation, $before->plan(), $before->record), $concern->runs),
        );
    }

    /**
     * The installation as it would be: every look ahead begins here, and nothing is saved.
     *
     * @param  list<Edit>  $edits
     */
    public function ahead(Loaded $now, array $edits, ?Catalogue $pins = null): Loaded
    {
        return $this->store->with($now, $edits, $pins);
    }

    /** What it would change in the plan. */
    public function consequences(Loaded $now, Edit ...$edits): Consequences
    {
        $then = $this->ahead($now, array_values($edits));

        return Uncollected::run(
            static fn (): Consequences => Consequences::between(
                $now->plan(),
                $then->installation,
                $then->plan(),
            ),
        );
    }

    /** Where runs would lie, and how long they would be. */
    public function rerouted(Loaded $now, Loaded $then): Rerouted
    {
        return Uncollected::run(
            static fn (): Rerouted => Rerouted::between($now->plan(), $then->plan(), $then->installation),
        );
    }

    /** The same of a decision that nobody makes. */
    public function reroutedBy(Decision $decision): Rerouted
    {
        $concern = $this->concerns->of($decision);
        if ($concern !== null) {
            return $this->rerouted($concern->before, $concern->after);
        }
        $now = $this->store->load($decision->in);

        return $this->rerouted($now, $this->ahead($now, $decision->edits, $decision->pins));
    }

    /** What that is done would no longer fit, and what can be done about it. */
    public function impact(Loaded $before, Loaded $after): Impact
    {
        $now = new Work($after->installation, $after->plan(), $after->record);
        $then = new Work($before->installation, $before->plan(), $before->record);
        $overtakes = static fn (TimeBook $times): Impact => Uncollected::run(
            static fn (): Impact => (new ImpactPlanner($now, $times, $before->plan()))->after($then),
        );
        $impact = $overtakes(new TimeBook());

        // How long the crew takes matters to remedies alone: most edits overtake nothing.
        return $impact->isNothing() ? $impact : $overtakes($this->times->by($before));
    }

    private function overtakes(Concern $concern): bool
    {
        [$before, $after] = [$concern->before, $concern->after];

        return Uncollected::run(
            static fn (): bool => (new ImpactPlanner(
                new Work($after->installation, $after->plan(), $after->record),
                before: $before->plan(),
            ))->overtakes(new Work($before->installation, $before->plan(), $before->record), $concern->runs),
        );
    }

    private function aside(Decision $decision): PutAside
    {
        $draft = Draft::query()->create([
            'installation_id' => $decision->in->id,
            'user_id' => $decision->by->user->id,
            'words' => mb_substr($decision->words, 0, 250),
            'edits' => array_map(
                static fn (Edit $edit): array => [
                    'kind' => $edit->kind->value,
                    'key' => $edit->key,
                    'after' => $edit->after,
                    'version' => $edit->version,
                ],
                $decision->edits,
            ),
            'pins' => $decision->pins === null ? null : CatalogueEncoder::catalogue($decision->pins),
            'created_at' => now(),
        ]);

        return new PutAside($draft->id, $decision->words);
    }
}
