<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Formats\Slip;
use App\Models\Change;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\RunKeys;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\QuickGuess;
use Sartal\Core\Plan\Proposing\QuickLine;

/** What a planner does to runs: add, change, copy, take out. Each is one change that can be undone. */
final readonly class RunDesk
{
    public function __construct(private ChangeLog $log)
    {
    }

    /**
     * @param  array<int|string, string>  $values  of a line
     *
     * @throws BadLine naming every field that is wrong
     */
    public function propose(Loaded $loaded, array $values, ?string $key = null): Proposal
    {
        $this->freeCode($loaded->installation, trim($values['code'] ?? ''), $key);

        return $this->unfold($loaded, $values, $key);
    }

    /**
     * @param  array<int|string, string>  $values
     *
     * @throws BadLine
     */
    private function unfold(Loaded $loaded, array $values, ?string $key): Proposal
    {
        $id = $key ?? RunKeys::of($loaded->installation)->next($values['code'] ?? '');
        $request = RunLine::read($values, $loaded->installation, $id);
        try {
            return (new Proposer($loaded->installation->catalogue))->propose($request);
        } catch (CannotPropose $cannot) {
            throw BadLine::because(RunKeys::field($cannot->field), $cannot->value, $cannot->getMessage());
        }
    }

    /**
     * @param  array<int|string, string>  $values
     *
     * @throws BadLine
     */
    public function add(Loaded $loaded, User $by, array $values): Run
    {
        $proposal = $this->propose($loaded, $values);
        $this->log->write(
            $loaded->stored,
            $by,
            sprintf('%s added', $proposal->run->code),
            self::edits($proposal),
            pins: self::pins($loaded, [$proposal]),
        );

        return $proposal->run;
    }

    /** @param  array<int, Proposal>  $proposals */
    public function addAll(Loaded $loaded, User $by, array $proposals): Change
    {
        $edits = [];
        foreach ($proposals as $proposal) {
            array_push($edits, ...self::edits($proposal));
        }
        $count = count($proposals);

        return $this->log->write(
            $loaded->stored,
            $by,
            sprintf('%d %s imported', $count, $count === 1 ? 'run' : 'runs'),
            $edits,
            pins: self::pins($loaded, $proposals),
        );
    }

    /**
     * @param  array<int|string, string>  $values  the fields that change
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function change(Loaded $loaded, User $by, Run $run, array $values, int $version): void
    {
        $before = RunLine::describe($run, $loaded->installation);
        $after = [...$before, ...$values];
        $this->freeCode($loaded->installation, trim($after['code'] ?? ''), $run->id);
        [$edits, $proposal] = $this->changed($loaded, $run, $before, $after, $version);
        $words = sprintf('%s: %s changed', $run->code, self::fields($before, $after));
        $this->log->write($loaded->stored, $by, $words, $edits, pins: self::pins($loaded, [$proposal]));
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
    public function changeMany(Loaded $loaded, User $by, array $values, array $versions): void
    {
        $edits = $proposals = [];
        $words = 'nothing';
        $codes = self::codesAfter($loaded->installation, $values);
        foreach ($values as $id => $own) {
            $run =
                $loaded->installation->runs[$id] ??
                throw BadLine::because('runs', (string) $id, 'There is no such run here. It may have been removed.');
            $before = RunLine::describe($run, $loaded->installation);
            $after = [...$before, ...$own];
            if (count($codes[trim($after['code'])] ?? []) > 1) {
                throw BadLine::because(
                    'code',
                    $after['code'],
                    sprintf(
                        '%s would get a code that %s has. Choose another first number or prefix.',
                        $run->code,
                        implode(' and ', array_diff($codes[trim($after['code'])], [$run->code])),
                    ),
                );
            }
            try {
                [$more, $proposals[]] = $this->changed($loaded, $run, $before, $after, $versions[$id] ?? 0);
            } catch (BadLine $bad) {
                throw new BadLine(
                    array_map(
                        static fn (Slip $slip): Slip => new Slip(
                            $slip->field,
                            $slip->value,
                            $run->code.': '.$slip->remedy,
                        ),
                        $bad->slips,
                    ),
                );
            }
            array_push($edits, ...$more);
            $words = self::fields($before, $after);
        }
        $this->log->write(
            $loaded->stored,
            $by,
            sprintf('%d runs: %s changed', count($values), $words),
            $edits,
            pins: self::pins($loaded, $proposals),
        );
    }

    /**
     * What a quick line would become.
     *
     * @return array{proposal: Proposal, guess: QuickGuess}
     *
     * @throws BadLine naming what was not understood
     */
    public function quick(Loaded $loaded, string $text): array
    {
        try {
            $guess = QuickLine::read($text, $loaded->installation, RunKeys::of($loaded->installation)->next('quick'));
            $id = RunKeys::of($loaded->installation)->next($guess->request->code);
            $guess = QuickLine::read($text, $loaded->installation, $id);

            return [
                'proposal' => (new Proposer($loaded->installation->catalogue))->propose($guess->request),
                'guess' => $guess,
            ];
        } catch (CannotPropose $cannot) {
            throw BadLine::because(RunKeys::field($cannot->field), $cannot->value, $cannot->getMessage());
        }
    }

    /**
     * @param  array<int|string, array<int|string, string>>  $values
     * @return array<array-key, list<string>> code → codes of today that would have it
     */
    private static function codesAfter(Installation $installation, array $values): array
    {
        $codes = [];
        foreach ($installation->runs as $run) {
            if (! $run->withdrawn) {
                $codes[trim($values[$run->id]['code'] ?? $run->code)][] = $run->code;
            }
        }

        return $codes;
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
                Names::of(array_diff_assoc($after, $before)),
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
        $proposal = $this->unfold($loaded, $after, $run->id);
        $edits = [];
        if (RunLine::makesSameWiring($before, $after)) {
            $next = self::sameWiring($run, $proposal->run);
            array_push($edits, ...$this->moved($loaded->installation, $run, $next));
        } else {
            $next = $proposal->run;
            array_push($edits, ...$this->without($loaded->installation, $run, $proposal), ...self::parts($proposal));
        }

        return [[new Edit('run', $run->id, self::plain(RunCodec::encode($next)), $version), ...$edits], $proposal];
    }

    /** @throws BadLine */
    public function duplicate(Loaded $loaded, User $by, Run $run, string $code): Run
    {
        return $this->add($loaded, $by, ['code' => $code] + RunLine::describe($run, $loaded->installation));
    }

    /**
     * Joins one conductor otherwise than the plans would, or goes back to the plans.
     *
     * @param  ?HandJoint  $joint  null: as the plans have it
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function except(
        Loaded $loaded,
        User $by,
        Run $run,
        Side $side,
        string $conductor,
        ?HandJoint $joint,
        int $version,
    ): void {
        $cable = $loaded->installation->catalogue->cables[$run->cable] ?? null;
        if (! isset($cable?->conductors()[$conductor])) {
            throw BadLine::because('conductor', $conductor, 'The cable has no such conductor. Load the page again.');
        }
        $end = $run->end($side);
        $others = array_values(
            array_filter($end->exceptions, static fn (HandJoint $each): bool => $each->conductor !== $conductor),
        );
        $made = new End(
            $end->location,
            $end->tail,
            $end->slack,
            $end->preparation,
            $end->spares,
            $end->legs,
            $joint === null ? $others : [...$others, $joint],
            $end->unused,
        );
        $words = sprintf(
            '%s end %s: %s %s',
            $run->code,
            $side->value,
            $conductor,
            $joint === null ? 'as the plans have it' : 'joined by hand',
        );
        $this->write($loaded, $by, self::withEnd($run, $side, $made), $words, $version);
    }

    /**
     * Prepares some legs of an end by another recipe; "" goes back to the connector's own.
     *
     * @param  list<string>  $legs
     *
     * @throws BadLine
     * @throws StaleWrite
     */
    public function prepareBy(
        Loaded $loaded,
        User $by,
        Run $run,
        Side $side,
        array $legs,
        string $recipe,
        int $version,
    ): void {
        if ($recipe !== '' && ! isset($loaded->installation->catalogue->recipes[$recipe])) {
            throw BadLine::because('recipe', $recipe, 'There is no such recipe. Choose one from the catalogue.');
        }
        $end = $run->end($side);
        $made = array_map(
            static fn (Leg $leg): Leg => in_array($leg->id, $legs, true)
                ? new Leg($leg->id, $leg->label, $leg->elements, $leg->length, $leg->landing, $recipe)
                : $leg,
            $end->legs,
        );
        $words = sprintf(
            '%s end %s prepared %s',
            $run->code,
            $side->value,
            $recipe === ''
                ? 'as its connector has it'
                : 'by '.$loaded->installation->catalogue->recipes[$recipe]->name,
        );
        $this->write(
            $loaded,
            $by,
            self::withEnd(
                $run,
                $side,
                new End(
                    $end->location,
                    $end->tail,
                    $end->slack,
                    $end->preparation,
                    $end->spares,
                    $made,
                    $end->exceptions,
                    $end->unused,
                ),
            ),
            $words,
            $version,
        );
    }

    private static function withEnd(Run $run, Side $side, End $end): Run
    {
        return new Run(
            $run->id,
            $run->code,
            $run->cable,
            $run->build,
            $side === Side::A ? $end : $run->a,
            $side === Side::B ? $end : $run->b,
            $run->ways,
            $run->carries,
            $run->loom,
            $run->note,
            $run->withdrawn,
        );
    }

    private function write(Loaded $loaded, User $by, Run $run, string $words, int $version): void
    {
        $this->log->write(
            $loaded->stored,
            $by,
            $words,
            [new Edit('run', $run->id, self::plain(RunCodec::encode($run)), $version)],
            pins: UsedTypes::of(self::alone($loaded->installation, $run)),
        );
    }

    /** The installation with nothing but this run, to see what it uses. */
    private static function alone(Installation $in, Run $run): Installation
    {
        return new Installation($in->id, $in->name, $in->rules, $in->catalogue, runs: [$run->id => $run]);
    }

    /**
     * Takes a run out. Once work on it has begun it is withdrawn: it stays on record.
     *
     * @throws StaleWrite
     */
    public function remove(Loaded $loaded, User $by, Run $run, int $version): bool
    {
        if ($loaded->record->of($run->id) !== []) {
            $withdrawn = new Run(
                $run->id,
                $run->code,
                $run->cable,
                $run->build,
                $run->a,
                $run->b,
                $run->ways,
                $run->carries,
                $run->loom,
                $run->note,
                true,
            );
            $this->log->write($loaded->stored, $by, $run->code.' withdrawn', [
                new Edit('run', $run->id, self::plain(RunCodec::encode($withdrawn)), $version),
            ]);

            return true;
        }
        $this->log->write($loaded->stored, $by, $run->code.' removed', [
            new Edit('run', $run->id, null, $version),
            ...$this->without($loaded->installation, $run, null),
        ]);

        return false;
    }

    /**
     * The types that these bring into use, for the installation to keep as they are today.
     *
     * @param  array<int, Proposal>  $proposals
     */
    private static function pins(Loaded $loaded, array $proposals): Catalogue
    {
        $runs = $fittings = $circuits = [];
        foreach ($proposals as $proposal) {
            $runs[$proposal->run->id] = $proposal->run;
            $fittings += $proposal->fittings;
            $circuits += $proposal->circuits;
        }
        $in = $loaded->installation;

        return UsedTypes::of(
            new Installation(
                $in->id,
                $in->name,
                $in->rules,
                $in->catalogue,
                circuits: $circuits,
                fittings: $fittings,
                runs: $runs,
            ),
        );
    }

    /** @throws BadLine */
    private function freeCode(Installation $installation, string $code, ?string $own): void
    {
        foreach ($installation->runs as $run) {
            if ($run->code === $code && $run->id !== $own && ! $run->withdrawn) {
                throw BadLine::because('code', $code, 'A run has this code already. Give each run a code of its own.');
            }
        }
    }

    /** What was decided by hand about legs and joints stays; places, lengths and names are the new ones. */
    private static function sameWiring(Run $old, Run $new): Run
    {
        return new Run(
            $old->id,
            $new->code,
            $old->cable,
            $new->build,
            self::sameLegs($old->a, $new->a),
            self::sameLegs($old->b, $new->b),
            $new->ways,
            $old->carries,
            $new->loom,
            $new->note,
            $old->withdrawn,
        );
    }

    private static function sameLegs(End $old, End $new): End
    {
        $length = $new->legs[0]->length ?? null;
        $changed = $length !== null && $length->compare($old->legs[0]->length ?? $length) !== 0;
        $legs = array_map(
            static fn (Leg $leg): Leg => $changed
                ? new Leg($leg->id, $leg->label, $leg->elements, $length, $leg->landing, $leg->recipe)
                : $leg,
            $old->legs,
        );

        return new End(
            $new->location,
            $new->tail,
            $new->slack,
            $new->preparation,
            $new->spares,
            $legs,
            $old->exceptions,
            $old->unused,
        );
    }

    /**
     * Fittings of this run alone follow it to a new place.
     *
     * @return list<Edit>
     */
    private function moved(Installation $installation, Run $old, Run $new): array
    {
        $edits = [];
        foreach ([[$old->a, $new->a], [$old->b, $new->b]] as [$was, $is]) {
            foreach ($was->location === $is->location ? [] : $was->legs as $leg) {
                $fitting = $installation->fittings[$leg->landing->fitting ?? ''] ?? null;
                if ($fitting !== null && ! $this->usedByOthers($installation, $old, $fitting->id)) {
                    $edits[$fitting->id] = new Edit(
                        'fitting',
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
    private function without(Installation $installation, Run $run, ?Proposal $keeping): array
    {
        $edits = [];
        foreach ($run->fittings() as $id) {
            if (
                isset($installation->fittings[$id]) &&
                ! isset($keeping->fittings[$id]) &&
                ! $this->usedByOthers($installation, $run, $id)
            ) {
                $edits[] = new Edit('fitting', $id, null);
            }
        }
        $elsewhere = [];
        foreach ($installation->runs as $other) {
            foreach ($other->id === $run->id ? [] : $other->carries as $carriage) {
                $elsewhere[$carriage->circuit] = true;
            }
        }
        foreach ($run->carries as $carriage) {
            $id = $carriage->circuit;
            if (isset($installation->circuits[$id]) && ! isset($keeping->circuits[$id]) && ! isset($elsewhere[$id])) {
                $edits[] = new Edit('circuit', $id, null);
            }
        }

        return $edits;
    }

    private function usedByOthers(Installation $installation, Run $run, string $fitting): bool
    {
        foreach ($installation->runs as $other) {
            if ($other->id !== $run->id && in_array($fitting, $other->fittings(), true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Edit> */
    private static function edits(Proposal $proposal): array
    {
        return [
            new Edit('run', $proposal->run->id, self::plain(RunCodec::encode($proposal->run))),
            ...self::parts($proposal),
        ];
    }

    /** @return list<Edit> */
    private static function parts(Proposal $proposal): array
    {
        $edits = [];
        foreach ($proposal->circuits as $circuit) {
            $edits[] = new Edit('circuit', $circuit->id, FileEncoder::circuit($circuit));
        }
        foreach ($proposal->fittings as $fitting) {
            $edits[] = new Edit('fitting', $fitting->id, self::plain(FileEncoder::fitting($fitting)));
        }

        return $edits;
    }

    /**
     * Maps that encode as objects, as plain arrays: what is compared later comes out of the database as those.
     *
     * @param  array<int|string, mixed>  $shape
     * @return array<int|string, mixed>
     */
    private static function plain(array $shape): array
    {
        /** @var array<int|string, mixed> $plain */
        $plain = json_decode((string) json_encode($shape), true);

        return $plain;
    }
}
