<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\StoredCards;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\Neighbours;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Near\Shift;
use Sartal\Core\Plan\Near\TieName;
use Sartal\Core\Plan\Near\WaysTaken;

/** What decisions about runs and ways have to do with. Of any other it is not known: it may be everything. */
final readonly class Concerns
{
    /** Edits of one decision: where there are more, everything is looked at. */
    private const MOST = 300;

    public function __construct(private InstallationStore $store, private Near $near)
    {
    }

    public function of(Decision $decision): ?Concern
    {
        $stored = $decision->on->stored ?? $decision->in;
        $cards = self::isOfFew($decision->edits) ? StoredCards::current($stored) : null;
        if ($cards === null) {
            return null;
        }
        $neighbours = new Neighbours($cards, $this->near->between($stored), Near::MOST);
        [$runs, $ties] = [self::changed(DecisionKind::Run, $decision->edits), self::ties($decision->edits)];
        $ways = self::changed(DecisionKind::Way, $decision->edits);
        $was = $neighbours->edited($runs, $ties, $ways, $ways === [] ? [] : $this->courses($decision, $cards, $ways));
        // What lies around it, as far as that can be said before it is read: labels may say something else since.
        $near = $was === null ? null : $neighbours->changing(Shift::of($was), $ties);
        $before = $near === null ? null : $this->near->part($stored, $cards, $near, $decision->on);
        if ($was === null || $near === null || $before === null) {
            return null;
        }
        $after = $this->store->with($before, $decision->edits, $decision->pins);
        // What a former recipe comes to follows from all that chose it.
        if (self::choose($before, $runs) !== self::choose($after, $runs)) {
            return null;
        }
        $shift = Shift::to($was, $runs, $cards->clashes, $cards, $after->installation);
        $all = $neighbours->changing($shift, $ties);
        if ($all !== null && ! $near->holds($all, $shift->is)) {
            $before = $this->near->part($stored, $cards, $all, $decision->on ?? $before);
            $after = $before === null ? null : $this->store->with($before, $decision->edits, $decision->pins);
        }
        if ($all === null || $before === null || $after === null) {
            return null;
        }
        $after = $after->seeing($shift->beyond($all, $cards));
        $moved = $before->plan()->layout->moved($after->plan()->layout);
        $concerned = $neighbours->changing($shift, $ties, $moved);
        if ($concerned === null) {
            return null;
        }
        $isDressed = $moved === [] && self::isDressedAlike($decision->edits, $before, $after);
        $around = $isDressed ? $concerned : $all;

        $concern = new Concern($before, $after, $cards, $shift, $concerned->ids(), $around->ids());

        // Whoever moves a way is told what is wrong with ways since.
        return $ways === [] ? $concern : $concern->inWays();
    }

    /**
     * Whether all that goes into a loom with the runs that are edited is as it was.
     *
     * @param  list<Edit>  $edits
     */
    private static function isDressedAlike(array $edits, Loaded $before, Loaded $after): bool
    {
        foreach ($edits as $edit) {
            $was = $before->installation->run($edit->key);
            $is = $after->installation->run($edit->key);
            if ($edit->kind !== DecisionKind::Run || $was === null || $is === null || ! $is->dressesAs($was)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, array<int|string, true>> recipe → connectors of their legs that chose it
     */
    private static function choose(Loaded $loaded, array $runs): array
    {
        $in = $loaded->installation;
        $chosen = FileDecoder::chosen($in->changed(['runs' => array_intersect_key($in->runs(), array_flip($runs))]));
        ksort($chosen);

        return array_map(static function (array $connectors): array {
            ksort($connectors);

            return $connectors;
        }, $chosen);
    }

    /** @param  list<Edit>  $edits */
    private static function isOfFew(array $edits): bool
    {
        $kinds = [DecisionKind::Run, DecisionKind::Fitting, DecisionKind::Circuit, DecisionKind::Way];

        return count($edits) <= self::MOST &&
            array_filter($edits, static fn (Edit $edit): bool => ! in_array($edit->kind, $kinds, true)) === [];
    }

    /**
     * For which other ways may be found than those that were taken.
     *
     * @param  list<string>  $ways  that are edited
     * @return list<string>
     */
    private function courses(Decision $decision, StoredCards $cards, array $ways): array
    {
        $stored = $decision->on->stored ?? $decision->in;
        $none = new Nearby([], [], []);
        $before = $decision->on ?? $this->store->part($stored, $none, Beyond::nothing(), $cards->chosen);
        $edits = array_filter($decision->edits, static fn (Edit $edit): bool => $edit->kind === DecisionKind::Way);
        $after = $this->store->with($before, array_values($edits), $decision->pins);

        return (new WaysTaken($after->installation, $ways))->among($cards->courses());
    }

    /**
     * @param  list<Edit>  $edits
     * @return list<string> what of a kind is edited
     */
    private static function changed(DecisionKind $kind, array $edits): array
    {
        $of = array_filter($edits, static fn (Edit $edit): bool => $edit->kind === $kind);

        return array_values(array_map(static fn (Edit $edit): string => $edit->key, $of));
    }

    /**
     * @param  list<Edit>  $edits
     * @return list<string> what they are about, and what runs are joined to after them
     */
    private static function ties(array $edits): array
    {
        $ties = [];
        $none = new Installation('', '', HouseRules::defaults(), new Catalogue());
        foreach ($edits as $edit) {
            if ($edit->kind === DecisionKind::Fitting) {
                $ties[] = TieName::fitting($edit->key);
            } elseif ($edit->kind === DecisionKind::Circuit) {
                $phantom = $edit->after['phantom'] ?? '';
                array_push($ties, TieName::circuit($edit->key), ...is_string($phantom) && $phantom !== ''
                    ? [TieName::fitting($phantom)]
                    : []);
            } elseif ($edit->kind === DecisionKind::Run && $edit->after !== null) {
                $run = Decided::in($none, $edit->kind, $edit->key, $edit->after)->theRun($edit->key);
                array_push($ties, ...RunCard::ties($run, $none));
            }
        }

        return $ties;
    }
}
