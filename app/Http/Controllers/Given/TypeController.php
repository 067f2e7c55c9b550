<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Bench\Times;
use App\Changes\Author;
use App\Changes\Foresight;
use App\Changes\TypeDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Given\OnVersion;
use App\Http\Requests\Given\TrialAsked;
use App\Http\Requests\Given\TypeDefinition;
use App\Http\Resources\Given\StepRecords;
use App\Http\Resources\Given\TrialResource;
use App\Http\Resources\Given\TypeResource;
use App\Http\Resources\Plan\ConsequencesResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\RunsOfEachKind;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Plan\Proposing\EndsToTry;

/**
 * The catalogue as an installation has it: shipped types, and types of its own.
 *
 * @phpstan-import-type TypesPage from TypeResource
 * @phpstan-import-type TypeDetail from TypeResource
 * @phpstan-import-type TypeDrawn from TypeResource
 * @phpstan-import-type StepRecordsShown from StepRecords
 * @phpstan-import-type TrialShown from TrialResource
 * @phpstan-import-type ConsequencesShown from ConsequencesResource
 */
final readonly class TypeController
{
    public function __construct(
        private TypeDesk $desk,
        private Foresight $foresight,
        private RunsOfEachKind $few,
    ) {
    }

    /** @return Answer<TypesPage> */
    public function index(Loaded $loaded): Answer
    {
        return new Answer(TypeResource::all($loaded));
    }

    /** @return Answer<TypeDetail> */
    public function show(Loaded $loaded, string $kind, string $id): Answer
    {
        return new Answer(TypeResource::of(self::kind($kind), $id, $loaded));
    }

    /**
     * How long a procedure's steps take this crew, and what it found at their ends.
     *
     * @return Answer<StepRecordsShown>
     */
    public function record(StoredInstallation $stored, Times $times, string $id): Answer
    {
        $procedure = $this->few->in($stored)->catalogue->procedures()[$id] ?? abort(404, 'There is no such type here.');

        return new Answer(StepRecords::of($procedure, $times->experience($stored)));
    }

    /**
     * What the type would change in the plan, before it is saved.
     *
     * @return Answer<ConsequencesShown>
     */
    public function preview(#[Body(TypeDefinition::class)] TypeDefinition $sent, Loaded $loaded, string $kind): Answer
    {
        $shape = TypeDesk::canonical(self::kind($kind), $sent->definition);
        $edit = new Edit(self::kind($kind), is_string($shape['id']) ? $shape['id'] : '', $shape);

        return new Answer(ConsequencesResource::of($this->foresight->consequences($loaded, $edit)));
    }

    /**
     * What can be seen of a type while it is written, and what follows from it; nothing is saved.
     *
     * @return Answer<TypeDrawn>
     */
    public function draw(#[Body(TypeDefinition::class)] TypeDefinition $sent, string $kind): Answer
    {
        $of = self::kind($kind);
        $catalogue = Decided::type($of, $sent->definition);
        $types = $catalogue->{$of->list()}();

        return new Answer(TypeResource::drawn(
            reset($types) ?: throw BadLine::because('definition', '', 'A definition is needed.'),
            $catalogue,
        ));
    }

    /**
     * A procedure on ends that it would make, before it is saved.
     *
     * @return Answer<TrialShown>
     */
    public function try(#[Body(TrialAsked::class)] TrialAsked $sent, StoredInstallation $stored): Answer
    {
        $procedure = TypeDesk::procedure($sent->definition);
        $in = $this->few->in($stored);

        return new Answer(TrialResource::of(
            $procedure,
            (new EndsToTry($procedure, $in))->all(),
            $sent->end,
            $sent->step,
            TypeDesk::lockedMissing($in, $procedure),
        ));
    }

    /** @return Answer<array{id: string}> */
    public function save(
        #[Body(TypeDefinition::class)] TypeDefinition $sent,
        Loaded $loaded,
        Author $author,
        string $kind,
    ): Answer {
        return new Answer([
            'id' => $this->desk->save($loaded, $author, self::kind($kind), $sent->definition, $sent->version),
        ]);
    }

    /** @return Answer<array{done: string}> */
    public function remove(
        #[Body(OnVersion::class)] OnVersion $sent,
        Loaded $loaded,
        Author $author,
        string $kind,
        string $id,
    ): Answer {
        return new Answer([
            'done' => $this->desk->remove($loaded, $author, self::kind($kind), $id, $sent->version),
        ]);
    }

    private static function kind(string $kind): DecisionKind
    {
        $known = DecisionKind::tryFrom($kind);

        return in_array($known, DecisionKind::offered(), true) ? $known : abort(404, 'There is no such kind of type.');
    }
}
