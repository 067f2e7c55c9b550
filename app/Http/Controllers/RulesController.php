<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Changes\ChangeLog;
use App\Changes\Edit;
use App\Changes\StaleWrite;
use App\Http\Resources\ConsequencesResource;
use App\Models\StoredInstallation;
use App\Models\StoredPart;
use App\Models\User;
use App\Planning\Loaded;
use App\Planning\Uncollected;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\FileDecoder;
use Sartal\Core\Document\FileEncoder;
use Sartal\Core\Document\Problems;
use Sartal\Core\Installation\HouseRules;
use Sartal\Core\Installation\School;
use Sartal\Core\Planning\Consequences;

/** House rules, and a list of the places and ways that runs share. */
final readonly class RulesController
{
    private const KINDS = ['location', 'way', 'loom'];

    public function __construct(private ChangeLog $log)
    {
    }

    public function show(StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        $used = [];
        foreach ($loaded->installation->runs as $run) {
            foreach (['location' => [$run->a->location, $run->b->location], 'way' => $loaded->plan()->layout->routes[$run->id]->ways(), 'loom' => array_filter([$run->loom])] as $kind => $ids) {
                foreach (array_unique($ids) as $id) {
                    $used[$kind.' '.$id] = ($used[$kind.' '.$id] ?? 0) + 1;
                }
            }
        }
        /** @var Collection<int, StoredPart> $rows */
        $rows = StoredPart::query()->where('installation_id', $stored->id)->whereIn('kind', self::KINDS)->orderBy('id')->get();
        $parts = $rows->map(static fn (StoredPart $part): array => [
            ...array_diff_key($part->definition, ['kind' => 0]),
            'kind' => $part->kind, 'version' => $part->version, 'used' => $used[$part->kind.' '.$part->key] ?? 0,
            'wayKind' => $part->definition['kind'] ?? '',
        ])->all();

        return response()->json(['rules' => FileEncoder::rules($loaded->installation->rules), 'schools' => self::schools(), 'version' => $stored->version, 'parts' => $parts]);
    }

    /** @return list<array<string, mixed>> every question, its answers, the usual one and why */
    private static function schools(): array
    {
        return array_map(static fn (string $school): array => [
            'key' => $school::key(),
            'question' => $school::question(),
            'usual' => $school::usual()->value,
            'reason' => $school::reason(),
            'answers' => array_map(static fn (School $case): array => ['value' => $case->value, 'words' => $case->words()], self::cases($school)),
        ], HouseRules::SCHOOLS);
    }

    /**
     * @param  class-string<School>  $school
     * @return list<School>
     */
    private static function cases(string $school): array
    {
        return array_values($school::cases());
    }

    /** What these rules would change, before they are saved. */
    public function preview(Request $request, Loaded $loaded): JsonResponse
    {
        $then = $loaded->installation->withRules(self::read($request));

        return response()->json(ConsequencesResource::of(Uncollected::run(static fn (): Consequences => Consequences::of($loaded->installation, $then, $loaded->record))));
    }

    private static function read(Request $request): HouseRules
    {
        $problems = new Problems;
        $rules = FileDecoder::rules(Fields::of($request->input('rules'), '', $problems));
        $problems->settle();

        return $rules;
    }

    public function rules(Request $request, StoredInstallation $stored): JsonResponse
    {
        $rules = self::read($request);

        return $this->write($request, $stored, 'House rules changed', new Edit('rules', $stored->key, FileEncoder::rules($rules), $request->integer('version')));
    }

    private function write(Request $request, StoredInstallation $stored, string $words, Edit $edit): JsonResponse
    {
        $user = $request->user();
        assert($user instanceof User);
        try {
            $this->log->write($stored, $user, $words, [$edit]);
        } catch (StaleWrite $stale) {
            $now = $edit->kind === 'rules' ? $stored->refresh()->rules : $stored->parts()->where('kind', $edit->kind)->where('key', $edit->key)->first()?->definition;

            return response()->json(['message' => $stale->getMessage(), 'yours' => $edit->after, 'theirs' => $now], 409);
        }

        return response()->json(['saved' => true]);
    }
}
