<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Release;
use App\Models\StoredInstallation;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\Problems;
use Sartal\Core\File\Spelled;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Proof\Record\Record;

/**
 * Database → Installation. Rows hold the file format's own shape, so that a
 * file, the demo and what is entered by hand pass through the same decoder.
 */
final class InstallationStore
{
    /** As many queries for one run as for thousands. */
    public function load(StoredInstallation $stored): Loaded
    {
        return Uncollected::run(fn (): Loaded => $this->read($stored, $this->rows($stored), null));
    }

    /**
     * Of its runs, fittings and circuits these alone, of its record what is about them, and everything else.
     *
     * @param  Beyond  $beyond  what the part has to know of the rest
     * @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs that chose it, of all
     * @param  ?Loaded  $on  the same decisions, whole or in part, where they were read already
     */
    public function part(
        StoredInstallation $stored,
        Nearby $near,
        Beyond $beyond,
        array $chosen,
        ?Loaded $on = null,
    ): Loaded {
        if ($on !== null && $on->beyond === null) {
            return $on->being($near->in($on->installation), $on->record, $on->versions)->seeing($beyond);
        }

        return Uncollected::run(function () use ($stored, $near, $beyond, $chosen, $on): Loaded {
            $record = Recorded::milestones($stored, $near->ids());
            if ($on !== null) {
                [$data, $versions] = PartRows::ofRuns($stored, $near);
                $problems = new Problems();
                $in = FileDecoder::runsIn($on->installation, Fields::from($data, '', $problems));
                $problems->settle();

                return $on->being($in, $record, $versions)->seeing($beyond);
            }

            return $this->read(
                $stored,
                $this->rows($stored, near: $near),
                $record,
                beyond: $beyond,
                chosen: $chosen,
            );
        });
    }

    /** All but its runs, fittings, circuits and record. */
    public function withoutRuns(StoredInstallation $stored): Loaded
    {
        $nothing = new Nearby([], [], []);
        $few = $this->part($stored, $nothing, Beyond::nothing(), []);

        if ($few->pinned->former->isEmpty()) {
            return $few;
        }
        // What a former recipe comes to follows from all legs that chose it.
        $chosen = FileDecoder::chosen($this->load($stored)->installation);

        return $this->part($stored, $nothing, Beyond::nothing(), $chosen);
    }

    /**
     * As it would be with these edits; nothing is saved.
     *
     * @param  list<Edit>  $edits
     */
    public function with(Loaded $loaded, array $edits, ?Catalogue $pins): Loaded
    {
        return $this->since($loaded, $loaded->stored, $edits, $pins, []);
    }

    /**
     * What was read, with what was decided since: only that is decoded. Where
     * a type goes the rest is read again, for what stands behind it is the one
     * that was pinned, or the one that ships.
     *
     * @param  list<Edit>  $edits
     * @param  array<int|string, ?int>  $versions  of the runs among them; null: gone
     */
    public function since(
        Loaded $loaded,
        StoredInstallation $stored,
        array $edits,
        ?Catalogue $pins,
        array $versions,
    ): Loaded {
        [$installation, $pinned] = [$loaded->installation, $loaded->pinned];
        foreach ($edits as $edit) {
            $isType = $edit->kind->home() === DecisionHome::Type;
            if ($isType && $edit->after === null) {
                return Uncollected::run(
                    fn (): Loaded => $this->read(
                        $stored,
                        $this->rows($stored, $edits, $pins),
                        $loaded->record,
                        $loaded->prints,
                    ),
                );
            }
            if ($isType) {
                $pinned = FormerConversion::of(
                    $pinned->replacing(Decided::type($edit->kind, $edit->after)),
                    ShippedCatalogue::load(),
                );
                $installation = $installation->withCatalogue($pinned->plus($installation->catalogue));
            } else {
                $installation = Decided::in($installation, $edit->kind, $edit->key, $edit->after);
            }
        }
        if ($pins !== null) {
            $pinned = $pinned->plus($pins);
            $installation = $installation->withCatalogue($pinned->plus($installation->catalogue));
        }
        foreach ($edits as $edit) {
            if ($edit->kind === DecisionKind::Run) {
                $versions += [$edit->key => $edit->after === null ? null : ($loaded->versions[$edit->key] ?? 0) + 1];
            }
        }

        return $loaded->since(
            $stored,
            $installation,
            $pinned,
            array_filter($versions + $loaded->versions, static fn (?int $version): bool => $version !== null),
        );
    }

    /**
     * What the shop works by: the release with today's stock, or where nothing is released, what is decided.
     *
     * @param  ?Loaded  $beside  what is decided, where it was read already: what is the same in both is made once
     */
    public function atWork(StoredInstallation $stored, ?Loaded $beside = null): Loaded
    {
        $rows = ReleasedRows::of($stored);

        return $rows === null
            ? $beside ?? $this->load($stored)
            : Uncollected::run(
                fn (): Loaded => $this->read(
                    $stored,
                    [ReleasedToday::data($stored, $rows->data(null)), []],
                    $beside?->record,
                    $beside?->prints,
                    true,
                ),
            );
    }

    /**
     * The same, of its runs, fittings and circuits these alone, of its record what is about them, and everything else.
     *
     * @param  Beyond  $beyond  what the part has to know of the rest
     * @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs that chose it, of all
     */
    public function partReleased(
        StoredInstallation $stored,
        ReleasedRows $rows,
        Nearby $near,
        Beyond $beyond,
        array $chosen,
    ): Loaded {
        return Uncollected::run(
            fn (): Loaded => $this->read(
                $stored,
                [ReleasedToday::data($stored, $rows->data($near)), []],
                Recorded::milestones($stored, $near->ids()),
                isReleased: true,
                beyond: $beyond,
                chosen: $chosen,
            ),
        );
    }

    /** A release as it was, with what was recorded since. */
    public function at(StoredInstallation $stored, Release $release): Loaded
    {
        return Uncollected::run(function () use ($stored, $release): Loaded {
            /** @var array<int|string, mixed> $data */
            $data = json_decode($release->document, true, 512, JSON_THROW_ON_ERROR);

            return $this->read($stored, [$data, []], null, null, true);
        });
    }

    /**
     * @param  list<Edit>  $edits
     * @param  ?Nearby  $near  of which runs, fittings and circuits it is; null: of all
     * @return array{array<int|string, mixed>, array<int|string, int>} data of the file's shape; versions of runs
     */
    private function rows(
        StoredInstallation $stored,
        array $edits = [],
        ?Catalogue $pins = null,
        ?Nearby $near = null,
    ): array {
        $whole = [
            'rules' => $stored->rules,
            'panel' => $stored->panel,
            'economy' => $stored->economy,
            'workshop' => $stored->workshop,
            'testing' => $stored->testing,
        ];
        $parts = $runs = [];
        foreach ($edits as $edit) {
            match ($edit->kind->home()) {
                DecisionHome::Whole => ($whole[$edit->kind->value] = $edit->after ?? []),
                DecisionHome::Run => ($runs[$edit->key] = $edit->after),
                default => ($parts[$edit->kind->value][$edit->key] = $edit->after),
            };
        }
        $entries = self::named(DecisionKind::entries());
        $data = [
            'installation' => ['id' => $stored->key, 'name' => $stored->name, 'rules' => $whole['rules']],
            'catalogue' => $pins === null
                    ? $stored->catalogue
                    : Decided::plain(Pinning::more($stored->catalogue, $pins)),
            ...$whole['panel'],
            ...array_fill_keys(
                array_map(static fn (DecisionKind $kind): string => $kind->list(), array_values($entries)),
                [],
            ),
            'economy' => $whole['economy'],
            'workshop' => $whole['workshop'],
            'testing' => $whole['testing'],
            'runs' => [],
        ];
        $own = [];
        $take = static function (string $kind, array|Spelled $definition) use (&$data, &$own, $entries): void {
            if (isset($entries[$kind])) {
                $data[$entries[$kind]->list()][] = $definition;
            } else {
                $own[$kind][] = $definition instanceof Spelled ? (array) $definition->read() : $definition;
            }
        };
        foreach (PartRows::entries($stored, $near) as $part) {
            $edited = array_key_exists($part->key, $parts[$part->kind] ?? []);
            $definition = $edited ? $parts[$part->kind][$part->key] : new Spelled($part->definition);
            unset($parts[$part->kind][$part->key]);
            if ($definition !== null) {
                $take($part->kind, $definition);
            }
        }
        foreach ($parts as $kind => $added) {
            foreach (array_filter($added, static fn (?array $each): bool => $each !== null) as $each) {
                $take((string) $kind, $each);
            }
        }
        $data['catalogue'] = self::merged($data['catalogue'], $own);
        $versions = [];
        foreach (PartRows::runs($stored, $near) as $run) {
            $definition = array_key_exists($run->key, $runs) ? $runs[$run->key] : new Spelled($run->definition);
            unset($runs[$run->key]);
            if ($definition !== null) {
                $data['runs'][] = $definition;
                $versions[$run->key] = (int) $run->version;
            }
        }
        foreach (array_filter($runs, static fn (?array $added): bool => $added !== null) as $key => $added) {
            $data['runs'][] = $added;
            $versions[$key] = 1;
        }

        return [$data, $versions];
    }

    /**
     * Pinned types with an installation's own laid over them, in a file's shape.
     *
     * @param  array<int|string, mixed>  $pinned
     * @param  array<int|string, list<array<int|string, mixed>>>  $own  kind → definitions
     * @return array<int|string, mixed>
     */
    private static function merged(array $pinned, array $own): array
    {
        foreach (DecisionKind::types() as $kind) {
            $entries = is_array($pinned[$kind->list()] ?? null) ? $pinned[$kind->list()] : [];
            $pinned[$kind->list()] = array_values(
                array_replace(array_column($entries, null, 'id'), array_column($own[$kind->value] ?? [], null, 'id')),
            );
        }

        return $pinned;
    }

    /**
     * @param  array<array-key, DecisionKind>  $kinds
     * @return array<string, DecisionKind> by what rows call them
     */
    private static function named(array $kinds): array
    {
        return array_column($kinds, null, 'value');
    }

    /**
     * @param  array{array<int|string, mixed>, array<int|string, int>}  $rows
     * @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs elsewhere that chose it
     */
    private function read(
        StoredInstallation $stored,
        array $rows,
        ?Record $record,
        ?KeptPrints $prints = null,
        bool $isReleased = false,
        ?Beyond $beyond = null,
        array $chosen = [],
    ): Loaded {
        [$data, $versions] = $rows;
        $problems = new Problems();
        $read = FileDecoder::installation(Fields::from($data, '', $problems));
        // An installation's own types win over those it pinned, and those over shipped ones of the same id.
        $problems->settle();
        $shipped = ShippedCatalogue::load();
        $types = $chosen === [] ? $read->catalogue : $read->catalogue->choosing($chosen);
        $own = FormerConversion::of($isReleased ? $types->asReleased() : $types, $shipped);
        $installation = $read->withCatalogue($own->plus($shipped));
        $record ??= Recorded::milestones($stored);

        return new Loaded($stored, $installation, $own, $record, $versions, $stored->names(), $prints, $beyond);
    }
}
