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
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\ChangedCards;
use Sartal\Core\Plan\Near\Clashes;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\OnCard;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Near\TieName;
use Sartal\Core\Ways\Looming\Lay;
use Sartal\Core\Ways\Routing\Router;

/** What decisions about runs have to do with. Of any other it is not known: it may be everything. */
final readonly class Concerns
{
    /** Edits of one decision: where there are more, everything is looked at. */
    private const MOST = 300;

    /** Runs that they have to do with: where there are more, to look at them is no less than to make all anew. */
    private const WORTH = 120;

    public function __construct(private InstallationStore $store, private Near $near)
    {
    }

    public function of(Decision $decision): ?Concern
    {
        if (! self::isOfRuns($decision->edits)) {
            return null;
        }
        $stored = $decision->on->stored ?? $decision->in;
        $cards = StoredCards::current($stored);
        $ties = self::ties($decision->edits);
        $runs = self::changed($decision->edits);
        if ($cards === null) {
            return null;
        }
        $was = $cards->of($runs) + $cards->with(OnCard::Ties, self::circuits($ties), self::WORTH + 1);
        if (count($was) > self::WORTH) {
            return null;
        }
        $between = Near::between($stored);
        // What lies around it, as far as that can be said before it is read: labels may say something else since.
        $near = Nearby::changing($cards, $between, $was, [], $ties, [], self::WORTH);
        $before = $near === null ? null : $this->read($decision, $cards, $near, $decision->on);
        if ($near === null || $before === null) {
            return null;
        }
        $after = $this->store->with($before, $decision->edits, $decision->pins);
        $router = new Router($after->installation);
        $is = [];
        foreach ([...array_map(strval(...), array_keys($was)), ...$runs] as $id) {
            $run = $after->installation->run($id);
            $place = $was[$id]->place ?? PHP_INT_MAX;
            $is += $run === null
                ? []
                : [$id => RunCard::of($run, $after->installation, $router->route($run), $place)];
        }
        // What a former recipe comes to follows from all that chose it.
        if (self::choose($before, $runs) !== self::choose($after, $runs)) {
            return null;
        }
        $ports = self::ports($after->installation);
        $clashes = Clashes::after($cards->clashes, $was, $is, $cards, $ports);
        $turned = Clashes::between($cards->clashes, $clashes);
        $all = Nearby::changing($cards, $between, $was, $is, $ties, $turned, self::WORTH);
        if ($all === null) {
            return null;
        }
        if (! self::isWithin($all, $near, $is)) {
            $before = $this->read($decision, $cards, $all, $decision->on ?? $before);
            if ($before === null) {
                return null;
            }
            $after = $this->store->with($before, $decision->edits, $decision->pins);
        }
        $part = array_diff_key($all->runs + $all->rim, $was) + $is;
        $after = $after->seeing(Beyond::of($part, new ChangedCards($cards, $was, $is), $clashes));
        $moved = self::moved($before, $after);
        $concerned = Nearby::changing($cards, $between, $was, $is, $ties, $turned, self::WORTH, $moved);
        if ($concerned === null) {
            return null;
        }
        [$runs, $around] = array_map(
            static fn (Nearby $of): array => array_map(strval(...), array_keys($of->runs)),
            [$concerned, $moved === [] && self::isDressedAlike($decision->edits, $before, $after) ? $concerned : $all],
        );

        return new Concern($before, $after, $cards, $was, $is, $clashes, $runs, $around);
    }

    private function read(Decision $decision, StoredCards $cards, Nearby $near, ?Loaded $on): ?Loaded
    {
        return $this->near->part($decision->on->stored ?? $decision->in, $cards, $near, $on);
    }

    /**
     * Whether all that goes into a loom with the runs that are edited is as it was.
     *
     * @param  list<Edit>  $edits
     */
    private static function isDressedAlike(array $edits, Loaded $before, Loaded $after): bool
    {
        $dressed = static fn (?Run $run): array => $run === null ? [] : [
            $run->cable,
            $run->build,
            $run->loom,
            $run->withdrawn,
            $run->sleeve,
            $run->fittings(),
        ];
        foreach ($edits as $edit) {
            $was = $before->installation->run($edit->key);
            $is = $after->installation->run($edit->key);
            if ($edit->kind !== DecisionKind::Run || $dressed($was) !== $dressed($is)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> runs that lie otherwise */
    private static function moved(Loaded $before, Loaded $after): array
    {
        [$was, $is] = [$before->plan()->layout->lays, $after->plan()->layout->lays];
        $moved = array_filter(
            $is,
            static fn (Lay $lay, int|string $run): bool => isset($was[$run]) && $lay != $was[$run],
            ARRAY_FILTER_USE_BOTH,
        );

        return array_map(strval(...), array_keys($moved));
    }

    /** @param  array<int|string, RunCard>  $new  that are in neither */
    private static function isWithin(Nearby $one, Nearby $other, array $new): bool
    {
        return array_diff($one->ties, $other->ties) === [] &&
            array_diff_key($one->runs, $other->runs, $new) === [] &&
            array_diff_key($one->rim, $other->runs + $other->rim) === [];
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
    private static function isOfRuns(array $edits): bool
    {
        $kinds = [DecisionKind::Run, DecisionKind::Fitting, DecisionKind::Circuit];

        return count($edits) <= self::MOST &&
            array_filter($edits, static fn (Edit $edit): bool => ! in_array($edit->kind, $kinds, true)) === [];
    }

    /**
     * @param  list<Edit>  $edits
     * @return list<string> runs
     */
    private static function changed(array $edits): array
    {
        $runs = array_filter($edits, static fn (Edit $edit): bool => $edit->kind === DecisionKind::Run);

        return array_values(array_map(static fn (Edit $edit): string => $edit->key, $runs));
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
            } elseif ($edit->after !== null) {
                $run = Decided::in($none, $edit->kind, $edit->key, $edit->after)->theRun($edit->key);
                array_push($ties, ...RunCard::ties($run, $none));
            }
        }

        return $ties;
    }

    /**
     * @param  list<string>  $ties
     * @return list<string> those of them that are circuits: runs that carry one hang together by what feeds it
     */
    private static function circuits(array $ties): array
    {
        return array_values(array_filter($ties, static fn (string $tie): bool => TieName::isCircuit($tie) !== null));
    }

    /** @return list<string> what is printed on devices */
    private static function ports(Installation $in): array
    {
        $names = [];
        foreach ($in->equipment() as $device) {
            $own = array_map(static fn (Port $port): string => $port->name, $device->ports);
            array_push($names, ...array_values($own));
        }

        return $names;
    }
}
