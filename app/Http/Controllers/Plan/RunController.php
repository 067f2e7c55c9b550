<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\RunDesk;
use App\Changes\RunLines;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Formats\RunsCsv;
use App\Http\Controllers\Addressed;
use App\Http\Requests\Plan\BulkChange;
use App\Http\Requests\Plan\FitsAsked;
use App\Http\Requests\Plan\NewRun;
use App\Http\Requests\Plan\NewRuns;
use App\Http\Requests\Plan\Numbering;
use App\Http\Requests\Plan\QuickRun;
use App\Http\Requests\Plan\RunChange;
use App\Http\Requests\Plan\RunLike;
use App\Http\Requests\Plan\RunProposal;
use App\Http\Requests\Plan\RunRemoval;
use App\Http\Requests\Plan\RunsTabled;
use App\Http\Resources\Plan\QuickResource;
use App\Http\Resources\Plan\RunResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptHabits;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\Touched;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Plan\Planning\RunPlanner;
use Sartal\Core\Plan\Planning\Suitability;

/**
 * @phpstan-import-type QuickShown from QuickResource
 * @phpstan-import-type RunPage from RunResource
 * @phpstan-import-type WorkedOut from PlanEncoder
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type RunProposed array{cut: WorkedOut, circuits: int, fittings: int, findings: list<FindingShown>}
 */
final readonly class RunController
{
    public function __construct(private RunDesk $desk, private RunLines $lines)
    {
    }

    /** @return Answer<RunPage> */
    public function show(StoredInstallation $stored, Container $container, Near $near, string $id): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::decided($stored, $loaded);
        $standing = $standings->of($id) ?? abort(404, 'There is no such run here. It may have been removed.');
        $facts = $standings->facts($standing->id);
        $decided = Kept::once(
            $stored,
            'run '.$id,
            Kept::state($stored->decisions),
            static function () use ($near, $stored, $id): array {
                $part = $near->runs($stored, [$id]);

                return RunResource::decided(Addressed::run($part, $id), $part);
            },
        );

        return new Answer(
            RunResource::standing(
                $decided,
                $facts,
                $standing,
                Touched::record($stored, $facts->runs()),
                $standings->rules()->instruments,
                $stored->names(),
            ),
        );
    }

    /**
     * What a line would become, before anything is saved.
     *
     * @return Answer<RunProposed>
     */
    public function propose(
        #[Body(RunProposal::class)] RunProposal $sent,
        StoredInstallation $stored,
        Near $near,
    ): Answer {
        // The other runs say nothing about it but which codes they have.
        $loaded = $near->runs($stored, []);
        $proposal = $this->lines->propose($loaded, self::values($sent->line), $sent->id === '' ? null : $sent->id);
        $plan = RunPlanner::plan(
            $proposal->run,
            $loaded->installation->withRun($proposal->run, $proposal->fittings, $proposal->circuits),
        );

        return new Answer([
            'cut' => PlanEncoder::worked($plan->cut),
            'circuits' => count($proposal->circuits),
            'fittings' => count($proposal->fittings),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings()),
        ]);
    }

    /**
     * Whole runs from lines of words, with what was understood of each; nothing is saved.
     *
     * @return Answer<array{lines: list<QuickShown>}>
     */
    public function quick(
        #[Body(QuickRun::class)] QuickRun $sent,
        StoredInstallation $stored,
        Near $near,
        KeptHabits $habits,
    ): Answer {
        $none = $near->runs($stored, []);
        $elsewhere = $none->beyond === null ? [] : $habits->of($stored);
        $read = RunLines::quick($none->installation, $sent->text, $elsewhere);

        return new Answer(['lines' => array_map(QuickResource::of(...), $read)]);
    }

    /**
     * Several lines, all of them or none.
     *
     * @return Answer<RunPage> of the first of them
     */
    public function storeAll(#[Body(NewRuns::class)] NewRuns $sent, Loaded $loaded, Author $author): Answer
    {
        $lines = array_map(static fn (NewRun $run): array => self::values($run->line), $sent->runs);

        return RunResource::written($this->desk->addLines($loaded, $author, $lines), 201);
    }

    /**
     * Contact plans for a cable and a signal: what fits first, and of the rest why not.
     *
     * @return Answer<array{
     *     plans: list<array{plan: string, signal: string, why: list<string>, change: list<string>, stops: bool}>,
     * }>
     */
    public function fits(#[Query(FitsAsked::class)] FitsAsked $asked, Loaded $loaded): Answer
    {
        $suitability = new Suitability($loaded->installation);
        $plans = [];
        foreach (array_slice(explode('|', $asked->signals), 0, 8) as $signal) {
            foreach ($suitability->of($asked->cable, $signal) as $plan => $findings) {
                $plans[] = [
                    'plan' => (string) $plan,
                    'signal' => $signal,
                    'why' => array_map(static fn (Finding $finding): string => $finding->withoutPlace(), $findings),
                    'change' => array_values(array_unique(
                        array_map(static fn (Finding $finding): string => $finding->remedy, $findings),
                    )),
                    'stops' => array_filter(
                        $findings,
                        static fn (Finding $finding): bool => $finding->severity === Severity::Stop,
                    ) !== [],
                ];
            }
        }

        return new Answer(['plans' => $plans]);
    }

    /**
     * Many runs at once: the same fields for all, or new codes in a row.
     *
     * @return Answer<array{changed: int}>
     */
    public function bulk(
        #[Body(BulkChange::class)] BulkChange $sent,
        StoredInstallation $stored,
        Near $near,
        Author $author,
    ): Answer {
        $versions = [];
        foreach ($sent->runs as $run) {
            $versions[$run->id] = $run->version;
        }
        $lines = [];
        $number = $sent->number;
        $line = self::values($sent->line);
        foreach (array_keys($versions) as $i => $id) {
            $lines[$id] = $line + ($number === null ? [] : ['code' => self::numbered($number, $i)]);
        }
        $loaded = $near->runs($stored, array_map(strval(...), array_keys($lines)));
        $this->desk->changeMany($loaded, $author, $lines, $versions);

        return new Answer(['changed' => count($lines)]);
    }

    private static function numbered(Numbering $number, int $place): string
    {
        return $number->prefix.str_pad((string) ($number->from + $place * $number->step), 3, '0', STR_PAD_LEFT);
    }

    /**
     * Some runs as cells for the clipboard, which can be pasted back in.
     *
     * @return Answer<array{text: string}>
     */
    public function table(#[Body(RunsTabled::class)] RunsTabled $sent, StoredInstallation $stored, Near $near): Answer
    {
        $part = $near->runs($stored, $sent->runs);

        return new Answer(['text' => RunsCsv::table($part->installation, $sent->runs, $sent->units)]);
    }

    /** @return Answer<RunPage> */
    public function store(#[Body(NewRun::class)] NewRun $sent, Loaded $loaded, Author $author): Answer
    {
        $values = self::values($sent->line);

        return RunResource::written(
            $sent->many === 1
                ? $this->desk->add($loaded, $author, $values)
                : $this->desk->addMany($loaded, $author, $values, $sent->many),
            201,
        );
    }

    /** @return Answer<RunPage> */
    public function update(
        #[Body(RunChange::class)] RunChange $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        $run = Addressed::run($loaded, $id);
        $changed = $this->desk->change($loaded, $author, $run, self::values($sent->line), $sent->version);

        return RunResource::written($changed);
    }

    /** @return Answer<RunPage> */
    public function duplicate(#[Body(RunLike::class)] RunLike $sent, Loaded $loaded, Author $author, string $id): Answer
    {
        $values = ['code' => $sent->code] + self::values($sent->line);

        $run = Addressed::run($loaded, $id);

        return RunResource::written($this->desk->duplicate($loaded, $author, $run, $values), 201);
    }

    /** @return Answer<array{withdrawn: bool}> */
    public function destroy(
        #[Body(RunRemoval::class)] RunRemoval $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        $withdrawn = $this->desk->remove($loaded, $author, Addressed::run($loaded, $id), $sent->version);

        return new Answer(['withdrawn' => $withdrawn]);
    }

    /**
     * @param  array<array-key, mixed>  $line
     * @return array<int|string, string>
     */
    private static function values(array $line): array
    {
        $values = [];
        foreach (array_intersect(RunLine::FIELDS, array_keys($line)) as $field) {
            $value = $line[$field] ?? '';
            if (! is_scalar($value)) {
                throw BadLine::because('line.'.$field, '', 'Write this as text.');
            }
            $values[$field] = (string) $value;
        }

        return $values;
    }
}
