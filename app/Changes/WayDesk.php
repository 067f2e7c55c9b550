<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Models\StoredEntry;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\Near;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/** How long ways are: as somebody measured them, or longer and shorter with a place that moves. */
final readonly class WayDesk
{
    private const STALE = 'Somebody has changed one of these ways meanwhile. Load the building again.';

    public function __construct(private ChangeLog $log, private Near $near)
    {
    }

    /**
     * @param  int  $version  of the way that whoever measured it had before them
     *
     * @throws BadLine
     */
    public function measured(
        StoredInstallation $stored,
        Author $by,
        string $id,
        string $length,
        int $version,
    ): Written {
        // All but runs: which of them it has to do with is found out when it is written.
        $loaded = $this->near->runs($stored, []);
        $way = $loaded->installation->way($id) ?? abort(404, 'There is no such way here. It may have been removed.');
        $is = self::length('length', $length, 'Write a length, such as 12.4 m.');
        if ($is->isZero() || $is->isNegative()) {
            throw BadLine::because('length', $length, 'It must be longer than nothing.');
        }
        $after = ['length' => $is->canonical(), 'measured' => true] + self::row($stored, $id)->definition;

        return $this->log->write(
            Decision::on($loaded, $by, sprintf('%s measured', $way->name), [
                new Edit(DecisionKind::Way, $id, $after, $version),
            ]),
        );
    }

    /**
     * A place moves along the ways that lead to it: so much longer, or shorter, each. Of a way of which somebody says
     * how much longer it is, nobody has measured how long it is now.
     *
     * @param  array<int|string, string>  $by  way → how much
     *
     * @throws BadLine
     */
    public function moved(StoredInstallation $stored, Author $author, string $place, array $by): Written
    {
        $loaded = $this->near->runs($stored, []);
        $name =
            $loaded->installation->locations()[$place]->name ??
            ($loaded->installation->junctions()[$place]->name ?? abort(404, 'There is no such place here.'));
        $edits = [];
        foreach ($by as $way => $text) {
            $edits[] = self::longer($stored, $loaded, $place, (string) $way, $text);
        }

        return $this->log->write(
            Decision::on($loaded, $author, sprintf('%s moved', $name), $edits, ifStale: self::STALE),
        );
    }

    /** @throws BadLine */
    private static function longer(
        StoredInstallation $stored,
        Loaded $loaded,
        string $place,
        string $id,
        string $text,
    ): Edit {
        $way = $loaded->installation->way($id);
        if ($way?->across($place) === null) {
            throw BadLine::because('by.'.$id, $id, 'This way does not lead there. Load the building again.');
        }
        $by = self::length('by.'.$id, $text, 'Write a length, such as 2 m or -0.5 m.');
        $length = $way->length->plus($by);
        if ($length->isNegative() || $length->isZero()) {
            throw BadLine::because(
                'by.'.$id,
                $text,
                sprintf('%s is %s long: it cannot be shortened by as much.', $way->name, $way->length->canonical()),
            );
        }
        $row = self::row($stored, $id);
        $was = $by->isZero() ? $row->definition : array_diff_key($row->definition, ['measured' => true]);

        return new Edit(DecisionKind::Way, $id, ['length' => $length->canonical()] + $was, $row->version);
    }

    /** @throws BadLine */
    private static function length(string $field, string $text, string $remedy): Length
    {
        try {
            return Length::parse($text, 'm');
        } catch (InvalidMeasure $invalid) {
            throw BadLine::because($field, $text, $remedy.' '.$invalid->getMessage());
        }
    }

    private static function row(StoredInstallation $stored, string $id): StoredEntry
    {
        return $stored->entries()->where('kind', 'way')->where('key', $id)->firstOrFail();
    }
}
