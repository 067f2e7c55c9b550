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
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\School;

/**
 * House rules: what they are, what they would change.
 *
 * @phpstan-type SchoolCard array{
 *     key: string,
 *     question: string,
 *     usual: string,
 *     reason: string,
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

    /** @return Answer<array{rules: FileRules, schools: list<SchoolCard>, version: int}> */
    public function show(StoredInstallation $stored, Loaded $loaded): Answer
    {
        return new Answer([
            'rules' => FileEncoder::rules($loaded->installation->rules()),
            'schools' => self::schools(),
            'version' => $stored->version,
        ]);
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
