<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Formats\Import\Imported;
use App\Formats\RunLine;
use App\Formats\Slip;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\RunKeys;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\RunCodes;
use Sartal\Core\Plan\Proposing\RunCopy;

/** What a planner does to runs: add, change, copy, take out. Each is one change that can be undone. */
final readonly class RunDesk
{
    private const STALE =
        'Somebody has changed one of these runs meanwhile. Nothing was changed; look again and '.'repeat.';

    /** Runs that are named one by one. */
    private const NAMED = 4;

    public function __construct(private ChangeLog $log, private RunLines $lines)
    {
    }

    /**
     * @param  array<int|string, string>  $values
     *
     * @throws BadLine
     */
    public function add(Loaded $loaded, Author $by, array $values): RunWritten
    {
        $proposal = $this->lines->propose($loaded, $values);
        $words = sprintf('%s added', $proposal->run->code);
        $pins = RunEdits::pins($loaded, [$proposal]);

        return new RunWritten(
            $proposal->run->id,
            $this->log->write(Decision::on($loaded, $by, $words, RunEdits::added($proposal), pins: $pins)),
        );
    }

    /**
     * Several alike at once, each with the next code that is free.
     *
     * @param  array<int|string, string>  $values
     *
     * @throws BadLine
     */
    public function addMany(Loaded $loaded, Author $by, array $values, int $many): RunWritten
    {
        $first = trim($values['code'] ?? '');
        $this->lines->freeCode($loaded->stored, $first, null);
        $codes = RunCodes::free($loaded->installation)->from($first, $many);
        if ($codes === []) {
            throw BadLine::because('code', $first, 'End the first code with a number: the others go on from it.');
        }
        $keys = RunKeys::of($loaded->installation);
        $proposals = [];
        foreach ($codes as $code) {
            $proposals[] = $this->lines->unfold($loaded, ['code' => $code] + $values, $keys->next($code));
        }
        $edits = array_merge(...array_map(RunEdits::added(...), $proposals));
        $words = sprintf('%s to %s added', $codes[0], $codes[count($codes) - 1]);
        $pins = RunEdits::pins($loaded, $proposals);

        return new RunWritten(
            $proposals[0]->run->id,
            $this->log->write(Decision::on($loaded, $by, $words, $edits, pins: $pins)),
        );
    }

    /**
     * Several that were written in one go: all of them, or none and what is wrong with each.
     *
     * @param  list<array<int|string, string>>  $lines  one at least
     *
     * @throws BadLine
     */
    public function addLines(Loaded $loaded, Author $by, array $lines): RunWritten
    {
        $keys = RunKeys::of($loaded->installation);
        $codes = RunKeys::codes($loaded->installation);
        $proposals = $slips = [];
        foreach ($lines as $i => $values) {
            $code = trim($values['code'] ?? '');
            try {
                if (isset($codes[$code])) {
                    throw BadLine::because('code', $code, 'A run has this code already. Give each a code of its own.');
                }
                $codes[$code] = true;
                $proposals[] = $this->lines->unfold($loaded, $values, $keys->next($code));
            } catch (BadLine $bad) {
                foreach ($bad->slips as $slip) {
                    $slips[] = new Slip(sprintf('runs.%d.line.%s', $i, $slip->field), $slip->value, $slip->remedy);
                }
            }
        }
        if ($slips !== []) {
            throw new BadLine($slips);
        }
        if ($proposals === []) {
            throw BadLine::because('runs', '', 'Write a line for each run.');
        }
        $edits = array_merge(...array_map(RunEdits::added(...), $proposals));
        $names = array_map(static fn (Proposal $each): string => $each->run->code, $proposals);
        $words = count($names) > self::NAMED ? sprintf('%d runs', count($names)) : implode(', ', $names);
        $pins = RunEdits::pins($loaded, $proposals);

        return new RunWritten(
            $proposals[0]->run->id,
            $this->log->write(Decision::on($loaded, $by, $words.' added', $edits, pins: $pins)),
        );
    }

    /** What a spreadsheet brings: its runs, and the places, looms, ways and plugs that come with them. */
    public function addAll(Loaded $loaded, Author $by, Imported $in): Written
    {
        $edits = [];
        foreach ($in->proposals as $proposal) {
            foreach (RunEdits::added($proposal) as $edit) {
                // What several of them share comes once, and what is there stays as it is.
                $edits[$edit->kind->value.' '.$edit->key] = $edit;
            }
        }
        $edits = [
            ...ImportEdits::building($in),
            ...array_values(array_filter($edits, static fn (Edit $edit): bool => ! self::isThere($edit, $loaded))),
            ...RunEdits::together($loaded, $in->joined, $in->matings),
        ];
        $count = count($in->proposals);
        $words = sprintf('%d %s imported', $count, $count === 1 ? 'run' : 'runs');
        $pins = RunEdits::pins($loaded, $in->proposals);

        return $this->log->write(Decision::on($loaded, $by, $words, $edits, pins: $pins));
    }

    private static function isThere(Edit $edit, Loaded $loaded): bool
    {
        return match ($edit->kind) {
            DecisionKind::Fitting => $loaded->installation->fitting($edit->key) !== null,
            DecisionKind::Circuit => $loaded->installation->circuit($edit->key) !== null,
            default => false,
        };
    }

    /**
     * @param  array<int|string, string>  $values  the fields that change
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function change(Loaded $loaded, Author $by, Run $run, array $values, int $version): RunWritten
    {
        $before = RunLine::describe($run, $loaded->installation);
        $after = [...$before, ...$values];
        $this->lines->freeCode($loaded->stored, trim($after['code'] ?? ''), $run->id);
        [$edits, $proposal] = $this->changed($loaded, $run, $before, $after, $version);
        $words = sprintf('%s: %s changed', $run->code, self::fields($before, $after));
        $pins = RunEdits::pins($loaded, [$proposal]);

        return new RunWritten(
            $run->id,
            $this->log->write(Decision::on($loaded, $by, $words, $edits, pins: $pins, typed: $values)),
        );
    }

    /**
     * Several runs at once, as one change.
     *
     * @param  array<int|string, array<int|string, string>>  $values  run → the fields that change
     * @param  array<int|string, int>  $versions  run → version that the change was made on
     *
     * @throws BadLine naming the first run and field that is wrong: nothing is changed then
     * @throws StaleWrite
     */
    public function changeMany(Loaded $loaded, Author $by, array $values, array $versions): Written
    {
        $edits = $proposals = [];
        $words = 'nothing';
        $codes = RunLines::codesAfter($loaded->stored, $values);
        foreach ($values as $id => $own) {
            $run =
                $loaded->installation->runs()[$id] ??
                throw BadLine::because('runs', (string) $id, 'There is no such run here. It may have been removed.');
            $before = RunLine::describe($run, $loaded->installation);
            $after = [...$before, ...$own];
            self::alone($run, $after['code'], $codes[trim($after['code'])] ?? []);
            try {
                [$more, $proposals[]] = $this->changed($loaded, $run, $before, $after, $versions[$id] ?? 0);
            } catch (BadLine $bad) {
                throw self::of($run, $bad);
            }
            array_push($edits, ...$more);
            $words = self::fields($before, $after);
        }

        return $this->log->write(
            Decision::on(
                $loaded,
                $by,
                sprintf('%d runs: %s changed', count($values), $words),
                $edits,
                pins: RunEdits::pins($loaded, $proposals),
                ifStale: self::STALE,
            ),
        );
    }

    /**
     * With everything that was decided about it, but for what leads to connectors of other runs; and with what its line
     * is to say otherwise. Where that makes it another wiring, it is another run, made from its line.
     *
     * @param  array<int|string, string>  $values  the fields that are others, its code among them
     *
     * @throws BadLine
     */
    public function duplicate(Loaded $loaded, Author $by, Run $run, array $values): RunWritten
    {
        $in = $loaded->installation;
        $before = RunLine::describe($run, $in);
        $after = [...$before, ...$values];
        if (! RunLine::makesSameWiring($before, $after)) {
            return $this->add($loaded, $by, $after);
        }
        $line = $this->lines->propose($loaded, $after)->run;
        $code = $line->code;
        $copy = RunCopy::of($run, $in, $line->id, $code);
        $copy = $copy->goingAs(self::sameWiring($copy->proposal->run, $line, self::legsSaid($before, $after)));
        $words = sprintf('%s added, as %s is', $code, $run->code).($copy->left === 0 ? '' : sprintf(
            '; %d %s to others with %s',
            $copy->left,
            $copy->left === 1 ? 'jumper or switch stays' : 'jumpers and switches stay',
            $run->code,
        ));

        return new RunWritten($copy->proposal->run->id, $this->log->write(Decision::on(
            $loaded,
            $by,
            $words,
            [...RunEdits::added($copy->proposal), ...RunEdits::connected($loaded, $copy)],
            pins: RunEdits::pins($loaded, [$copy->proposal]),
        )));
    }

    /**
     * Takes a run out. Once work on it has begun it is withdrawn: it stays on record.
     *
     * @return bool whether it was withdrawn
     *
     * @throws StaleWrite
     */
    public function remove(Loaded $loaded, Author $by, Run $run, int $version): bool
    {
        $begun = $loaded->record->isBegun($run->id);
        $edits = $begun
            ? [RunEdits::run($run->withdraw(), $version)]
            : [
                Edit::without(DecisionKind::Run, $run->id, $version),
                ...RunEdits::without($loaded->installation, $run, null),
            ];
        $this->log->write(Decision::on($loaded, $by, $run->code.($begun ? ' withdrawn' : ' removed'), $edits));

        return $begun;
    }

    /**
     * @param  list<string>  $same  codes of today that would become this one
     *
     * @throws BadLine
     */
    private static function alone(Run $run, string $code, array $same): void
    {
        if (count($same) > 1) {
            throw BadLine::because(
                'code',
                $code,
                sprintf(
                    '%s would get a code that %s has. Choose another first number or prefix.',
                    $run->code,
                    implode(' and ', array_diff($same, [$run->code])),
                ),
            );
        }
    }

    private static function of(Run $run, BadLine $bad): BadLine
    {
        return new BadLine(
            array_map(
                static fn (Slip $slip): Slip => new Slip($slip->field, $slip->value, $run->code.': '.$slip->remedy),
                $bad->slips,
            ),
        );
    }

    /**
     * @param  array<int|string, string>  $before
     * @param  array<int|string, string>  $after
     */
    private static function fields(array $before, array $after): string
    {
        return implode(
            ', ',
            array_map(
                static fn (string $field): string => str_replace('_', ' ', $field),
                Names::from(array_diff_assoc($after, $before)),
            ),
        ) ?:
            'nothing';
    }

    /**
     * @param  array<int|string, string>  $before
     * @param  array<int|string, string>  $after
     * @return array{list<Edit>, Proposal}
     *
     * @throws BadLine
     */
    private function changed(Loaded $loaded, Run $run, array $before, array $after, int $version): array
    {
        $proposal = $this->lines->unfold($loaded, $after, $run->id);
        $in = $loaded->installation;
        if (RunLine::makesSameWiring($before, $after)) {
            $next = self::sameWiring($run, $proposal->run, self::legsSaid($before, $after));
            $more = RunEdits::moved($in, $run, $next);
        } else {
            $next = $proposal->run;
            foreach (Side::cases() as $side) {
                // How an end is tinned or shrunk is no part of what it is joined to.
                $next = $next->withEnd($side, $next->end($side)->answering($run->end($side)->own));
            }
            $more = [...RunEdits::without($in, $run, $proposal), ...RunEdits::parts($proposal)];
        }

        return [[RunEdits::run($next, $version), ...$more], $proposal];
    }

    /**
     * What was decided by hand about legs and joints stays; places, lengths and names are the new ones.
     *
     * @param  array{bool, bool}  $said  whether the line says other legs than before, at A and at B
     */
    private static function sameWiring(Run $old, Run $new, array $said): Run
    {
        return $old->goingAs(
            $new,
            self::sameLegs($old->a, $new->a, $said[0]),
            self::sameLegs($old->b, $new->b, $said[1]),
        );
    }

    /**
     * @param  array<int|string, string>  $before
     * @param  array<int|string, string>  $after
     * @return array{bool, bool}
     */
    private static function legsSaid(array $before, array $after): array
    {
        return [
            ($before['leg_a'] ?? '') !== ($after['leg_a'] ?? ''),
            ($before['leg_b'] ?? '') !== ($after['leg_b'] ?? ''),
        ];
    }

    private static function sameLegs(End $old, End $new, bool $said): End
    {
        $length = $new->legs[0]->length ?? null;
        $isEach = count($old->legs) === count($new->legs);
        $legs = [];
        foreach ($old->legs as $i => $leg) {
            $legs[] = match (true) {
                ! $said || $length === null => $leg,
                // Each by itself, in their order.
                $isEach => $leg->withLength($new->legs[$i]->length),
                default => $leg->withLength($length),
            };
        }

        return $old->lyingAs($new, $legs);
    }
}
