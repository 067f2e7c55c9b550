<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\EndDesk;
use App\Changes\RunDesk;
use App\Changes\RunLines;
use App\Changes\RunWritten;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Formats\RunLine;
use App\Http\Requests\Plan\BulkChange;
use App\Http\Requests\Plan\EndAnswers;
use App\Http\Requests\Plan\FitsAsked;
use App\Http\Requests\Plan\HandMadeJoint;
use App\Http\Requests\Plan\LegMadeBy;
use App\Http\Requests\Plan\LegReach;
use App\Http\Requests\Plan\NewRun;
use App\Http\Requests\Plan\Numbering;
use App\Http\Requests\Plan\QuickRun;
use App\Http\Requests\Plan\RunChange;
use App\Http\Requests\Plan\RunLike;
use App\Http\Requests\Plan\RunProposal;
use App\Http\Requests\Plan\RunRemoval;
use App\Http\Resources\Plan\RunResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Touched;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\RunPlanner;
use Sartal\Core\Plan\Planning\Suitability;
use Sartal\Core\Plan\Proposing\Understood;

/**
 * @phpstan-import-type RunPage from RunResource
 * @phpstan-import-type WorkedOut from PlanEncoder
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type RunProposed array{cut: WorkedOut, circuits: int, fittings: int, findings: list<FindingShown>}
 */
final readonly class RunController
{
    public function __construct(private RunDesk $desk, private RunLines $lines, private EndDesk $ends)
    {
    }

    /** @return Answer<RunPage> */
    public function show(StoredInstallation $stored, Container $container, string $id): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::decided($stored, $loaded);
        $standing = $standings->of($id) ?? abort(404, 'There is no such run here. It may have been removed.');
        $facts = $standings->facts($standing->id);
        $decided = Kept::once(
            $stored,
            'run '.$id,
            Kept::state($stored->decisions),
            static fn (): array => RunResource::decided(self::run($loaded(), $id), $loaded()),
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
    public function propose(#[Body(RunProposal::class)] RunProposal $sent, Loaded $loaded): Answer
    {
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
     * A whole run from one line of words, with what was understood; nothing is saved.
     *
     * @return Answer<array{
     *     line: array<string, string>,
     *     understood: list<array{what: string, took: string, said: bool}>,
     *     cut: WorkedOut,
     *     circuits: int,
     *     fittings: int,
     *     findings: list<FindingShown>,
     * }>
     */
    public function quick(#[Body(QuickRun::class)] QuickRun $sent, Loaded $loaded): Answer
    {
        ['proposal' => $proposal, 'guess' => $guess] = $this->lines->quick($loaded, $sent->text);
        $with = $loaded->installation->withRun($proposal->run, $proposal->fittings, $proposal->circuits);
        $plan = RunPlanner::plan($proposal->run, $with);

        return new Answer([
            'line' => RunLine::describe($proposal->run, $with),
            'understood' => array_map(
                static fn (Understood $each): array => [
                    'what' => $each->what,
                    'took' => $each->took,
                    'said' => $each->said,
                ],
                $guess->understood,
            ),
            'cut' => PlanEncoder::worked($plan->cut),
            'circuits' => count($proposal->circuits),
            'fittings' => count($proposal->fittings),
            'findings' => array_map(PlanEncoder::finding(...), $plan->findings()),
        ]);
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
    public function bulk(#[Body(BulkChange::class)] BulkChange $sent, Loaded $loaded, Author $author): Answer
    {
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
        $this->desk->changeMany($loaded, $author, $lines, $versions);

        return new Answer(['changed' => count($lines)]);
    }

    private static function numbered(Numbering $number, int $place): string
    {
        return $number->prefix.str_pad((string) ($number->from + $place * $number->step), 3, '0', STR_PAD_LEFT);
    }

    /** @return Answer<RunPage> */
    public function store(#[Body(NewRun::class)] NewRun $sent, Loaded $loaded, Author $author): Answer
    {
        $values = self::values($sent->line);

        return self::answer(
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
        $run = self::run($loaded, $id);

        return self::answer($this->desk->change($loaded, $author, $run, self::values($sent->line), $sent->version));
    }

    /** @return Answer<RunPage> */
    public function duplicate(#[Body(RunLike::class)] RunLike $sent, Loaded $loaded, Author $author, string $id): Answer
    {
        $values = ['code' => $sent->code] + self::values($sent->line);

        return self::answer($this->desk->duplicate($loaded, $author, self::run($loaded, $id), $values), 201);
    }

    /**
     * Whether a leg is measured on the equipment before it is cut, and what was measured there.
     *
     * @return Answer<RunPage>
     */
    public function reach(
        #[Body(LegReach::class)] LegReach $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = self::run($loaded, $id);
        $end = self::side($side);
        [$leg, $on, $measured] = [$sent->leg, $sent->onEquipment, trim($sent->measured)];

        return self::answer(
            $this->ends->reach($loaded, $author, $run, $end, $leg, $on, $measured, $sent->version),
        );
    }

    /**
     * One joint made by hand, with the reason; without one, the plans decide again.
     *
     * @return Answer<RunPage>
     */
    public function except(
        #[Body(HandMadeJoint::class)] HandMadeJoint $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = self::run($loaded, $id);
        $end = self::side($side);
        $conductor = $sent->conductor;
        $joint = null;
        if (! $sent->back) {
            $to = $sent->to === '' ? null : $sent->to;
            $reason = $sent->reason;
            if ($reason === '') {
                throw BadLine::because('reason', '', 'Say why: the reason stands on the sheet.');
            }
            if ($to !== null && ! $this->isPlace($to, $loaded)) {
                throw BadLine::because('to', $to, 'There is no such contact. Choose one of the fittings’.');
            }
            $joint = new HandJoint($conductor, $to, $reason);
        }

        return self::answer($this->ends->join($loaded, $author, $run, $end, $conductor, $joint, $sent->version));
    }

    /**
     * Legs of one end made by another procedure than their connector names.
     *
     * @return Answer<RunPage>
     */
    public function procedure(
        #[Body(LegMadeBy::class)] LegMadeBy $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = self::run($loaded, $id);
        $end = self::side($side);

        return self::answer(
            $this->ends->makeBy($loaded, $author, $run, $end, $sent->legs, $sent->procedure, $sent->version),
        );
    }

    /**
     * What one end does otherwise than the house, the loom or the family.
     *
     * @return Answer<RunPage>
     */
    public function answers(
        #[Body(EndAnswers::class)] EndAnswers $sent,
        Loaded $loaded,
        Author $author,
        string $id,
        string $side,
    ): Answer {
        $run = self::run($loaded, $id);

        return self::answer($this->ends->answer(
            $loaded,
            $author,
            $run,
            self::side($side),
            $sent->question,
            $sent->answer,
            $sent->version,
        ));
    }

    private function isPlace(string $to, Loaded $loaded): bool
    {
        $place = JoiningPlace::from($to);
        if ($place->isSplice()) {
            return in_array($place->splice, $loaded->installation->splices(), true);
        }
        $found = $loaded->installation->fitting($place->fitting);

        return $found !== null &&
            FittingLayout::unfolded($found, $loaded->installation->catalogue)?->has($place->address) === true;
    }

    /** @return Answer<array{withdrawn: bool}> */
    public function destroy(
        #[Body(RunRemoval::class)] RunRemoval $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        $withdrawn = $this->desk->remove($loaded, $author, self::run($loaded, $id), $sent->version);

        return new Answer(['withdrawn' => $withdrawn]);
    }

    /**
     * The run as it is since.
     *
     * @return Answer<RunPage>
     */
    private static function answer(RunWritten $made, int $status = 200): Answer
    {
        $now = $made->written->now();

        return new Answer(RunResource::of($now->installation->runs()[$made->run], $now), $status);
    }

    private static function side(string $side): Side
    {
        return Side::tryFrom($side) ?? abort(404, 'A run has an end A and an end B.');
    }

    private static function run(Loaded $loaded, string $id): Run
    {
        return $loaded->installation->runs()[$id] ?? abort(404, 'There is no such run here. It may have been removed.');
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
