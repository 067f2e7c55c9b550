<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Foresight;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\FileParts;
use App\Http\Requests\Given\RulesChange;
use App\Http\Requests\Given\RulesPreview;
use App\Http\Resources\Plan\ConsequencesResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\DepartureOf;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Schools\Latitude;
use Sartal\Core\Given\Schools\School;

/**
 * House rules: what they are, what they would change.
 *
 * @phpstan-type SchoolCard array{
 *     key: string,
 *     question: string,
 *     usual: string,
 *     reason: string,
 *     latitude: value-of<Latitude>,
 *     answers: list<array{value: int|string, words: string}>,
 * }
 *
 * @phpstan-import-type FileRules from FileParts
 * @phpstan-import-type ConsequencesShown from ConsequencesResource
 */
final readonly class RulesController
{
    public function __construct(private ChangeLog $log, private Foresight $foresight)
    {
    }

    /**
     * @return Answer<array{
     *     rules: FileRules,
     *     schools: list<SchoolCard>,
     *     groups: list<array{of: value-of<DepartureOf>, id: string, name: string}>,
     *     version: int,
     * }>
     */
    public function show(StoredInstallation $stored, Loaded $loaded): Answer
    {
        return new Answer([
            'rules' => FileEncoder::rules($loaded->installation->rules()),
            'schools' => self::schools(),
            'groups' => self::groups($loaded->installation),
            'version' => $stored->version,
        ]);
    }

    /** @return list<array{of: value-of<DepartureOf>, id: string, name: string}> for what another answer may hold */
    private static function groups(Installation $in): array
    {
        $families = [];
        foreach ($in->runs() as $run) {
            $families[$in->catalogue->cable($run->cable)->family ?? ''] = true;
        }
        unset($families['']);
        ksort($families);
        $groups = [];
        foreach (array_keys($families) as $family) {
            $family = (string) $family;
            $groups[] = ['of' => DepartureOf::Family->value, 'id' => $family, 'name' => $family.' cable'];
        }
        foreach ($in->looms() as $loom) {
            $groups[] = ['of' => DepartureOf::Loom->value, 'id' => $loom->id, 'name' => 'loom '.$loom->name];
        }

        return $groups;
    }

    /** @return list<SchoolCard> every question, its answers, the usual one and why */
    private static function schools(): array
    {
        return array_map(
            static fn (string $school): array => [
                'key' => $school::key(),
                'question' => $school::question(),
                'usual' => $school::usual()->value,
                'reason' => $school::reason(),
                'latitude' => $school::latitude()->value,
                'answers' => array_map(
                    static fn (School $case): array => ['value' => $case->value, 'words' => $case->words()],
                    self::cases($school),
                ),
            ],
            HouseRules::SCHOOLS,
        );
    }

    /**
     * @param  class-string<School>  $school
     * @return list<School>
     */
    private static function cases(string $school): array
    {
        return array_values($school::cases());
    }

    /**
     * What these rules would change, before they are saved.
     *
     * @return Answer<ConsequencesShown>
     */
    public function preview(#[Body(RulesPreview::class)] RulesPreview $sent, Loaded $loaded): Answer
    {
        $edit = new Edit(DecisionKind::Rules, $loaded->stored->key, FileEncoder::rules(self::read($sent->rules)));

        return new Answer(ConsequencesResource::of($this->foresight->consequences($loaded, $edit)));
    }

    /** @param  array<array-key, mixed>  $sent */
    private static function read(array $sent): HouseRules
    {
        $problems = new Problems();
        $rules = FileDecoder::rules(Fields::from($sent, '', $problems));
        $problems->settle();

        return $rules;
    }

    /** @return Answer<array{saved: true}> */
    public function rules(#[Body(RulesChange::class)] RulesChange $sent, Loaded $loaded, Author $author): Answer
    {
        $rules = FileEncoder::rules(self::read($sent->rules));
        $edit = new Edit(DecisionKind::Rules, $loaded->stored->key, $rules, $sent->version);
        $this->log->write(Decision::on($loaded, $author, 'House rules changed', [$edit]));

        return new Answer(['saved' => true]);
    }
}
