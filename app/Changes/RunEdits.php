<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\JoinedRows;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\RunCopy;

/** What comes and goes with a run: its fittings and circuits, and the types that it brings into use. */
final class RunEdits
{
    public static function run(Run $run, ?int $version = null): Edit
    {
        return new Edit(DecisionKind::Run, $run->id, RunCodec::encode($run), $version);
    }

    /**
     * Fittings of this run alone follow it to a new place.
     *
     * @return list<Edit>
     */
    public static function moved(Installation $installation, Run $old, Run $new): array
    {
        $edits = [];
        foreach ([[$old->a, $new->a], [$old->b, $new->b]] as [$was, $is]) {
            foreach ($was->location === $is->location ? [] : $was->legs as $leg) {
                $fitting = $installation->fittings()[$leg->landing->fitting ?? ''] ?? null;
                if ($fitting !== null && ! self::usedByOthers($installation, $old, $fitting->id)) {
                    $edits[$fitting->id] = new Edit(
                        DecisionKind::Fitting,
                        $fitting->id,
                        ['location' => $is->location] + FileEncoder::fitting($fitting),
                    );
                }
            }
        }

        return array_values($edits);
    }

    /**
     * The fittings and circuits that no other run uses go with the run, unless the new one has them.
     *
     * @return list<Edit>
     */
    public static function without(Installation $installation, Run $run, ?Proposal $keeping): array
    {
        $edits = [];
        foreach ($run->fittings() as $id) {
            if (
                isset($installation->fittings()[$id]) &&
                ! isset($keeping->fittings[$id]) &&
                ! self::usedByOthers($installation, $run, $id)
            ) {
                $edits[] = Edit::without(DecisionKind::Fitting, $id);
            }
        }
        $elsewhere = [];
        foreach ($installation->runs() as $other) {
            foreach ($other->id === $run->id ? [] : $other->carries as $carriage) {
                $elsewhere[$carriage->circuit] = true;
            }
        }
        foreach ($run->carries as $carriage) {
            $id = $carriage->circuit;
            if (isset($installation->circuits()[$id]) && ! isset($keeping->circuits[$id]) && ! isset($elsewhere[$id])) {
                $edits[] = Edit::without(DecisionKind::Circuit, $id);
            }
        }

        return $edits;
    }

    private static function usedByOthers(Installation $installation, Run $run, string $fitting): bool
    {
        foreach ($installation->runs() as $other) {
            if ($other->id !== $run->id && in_array($fitting, $other->fittings(), true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Edit> */
    public static function added(Proposal $proposal): array
    {
        return [self::run($proposal->run), ...self::parts($proposal)];
    }

    /** @return list<Edit> what of jumpers, switches and splices comes with a copy */
    public static function connected(Loaded $loaded, RunCopy $copy): array
    {
        return self::connections($loaded, $copy->splices, $copy->links, $copy->switches);
    }

    /**
     * @param  list<Mating>  $matings
     * @return list<Edit> what of them comes with rows of a file, and what those are plugged into
     */
    public static function together(Loaded $loaded, JoinedRows $joined, array $matings): array
    {
        return self::connections(
            $loaded,
            array_values($joined->splices),
            array_values($joined->links),
            array_values($joined->switches),
            $matings,
        );
    }

    /**
     * @param  list<string>  $splices
     * @param  list<Link>  $links
     * @param  list<PanelSwitch>  $switches
     * @param  list<Mating>  $matings
     * @return list<Edit>
     */
    private static function connections(
        Loaded $loaded,
        array $splices,
        array $links,
        array $switches,
        array $matings = [],
    ): array {
        $new = [
            'splices' => $splices,
            'links' => array_map(FileEncoder::link(...), $links),
            'switches' => array_map(FileEncoder::switch(...), $switches),
            'matings' => array_map(FileEncoder::mating(...), $matings),
        ];
        $panel = $loaded->stored->panel;
        foreach ($new as $list => $added) {
            $panel[$list] = [...$panel[$list] ?? [], ...$added];
        }

        return array_filter($new) === []
            ? []
            : [new Edit(DecisionKind::Connections, $loaded->stored->key, $panel, was: $loaded->stored->panel)];
    }

    /** @return list<Edit> */
    public static function parts(Proposal $proposal): array
    {
        $edits = [];
        foreach ($proposal->circuits as $circuit) {
            $edits[] = new Edit(DecisionKind::Circuit, $circuit->id, FileEncoder::circuit($circuit));
        }
        foreach ($proposal->fittings as $fitting) {
            $edits[] = new Edit(DecisionKind::Fitting, $fitting->id, FileEncoder::fitting($fitting));
        }

        return $edits;
    }

    /**
     * The types that these bring into use, for the installation to keep as they are today.
     *
     * @param  array<int, Proposal>  $proposals
     */
    public static function pins(Loaded $loaded, array $proposals): Catalogue
    {
        $runs = $fittings = $circuits = [];
        foreach ($proposals as $proposal) {
            $runs[$proposal->run->id] = $proposal->run;
            $fittings += $proposal->fittings;
            $circuits += $proposal->circuits;
        }
        $in = $loaded->installation;

        return UsedTypes::in(
            new Installation(
                $in->id,
                $in->name,
                $in->rules(),
                $in->catalogue,
                circuits: $circuits,
                fittings: $fittings,
                runs: $runs,
            ),
        );
    }

    /** The types that one run uses. */
    public static function used(Installation $in, Run $run): Catalogue
    {
        return UsedTypes::in(
            new Installation($in->id, $in->name, $in->rules(), $in->catalogue, runs: [$run->id => $run]),
        );
    }
}
