<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Changes\ChangeLog;
use App\Changes\Edit;
use App\Changes\StaleWrite;
use App\Formats\BadLine;
use App\Http\Resources\ConsequencesResource;
use App\Models\StoredInstallation;
use App\Models\StoredPart;
use App\Models\User;
use App\Planning\Loaded;
use App\Planning\Uncollected;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\Document\BuildingCodec;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\FileDecoder;
use Sartal\Core\Document\FileEncoder;
use Sartal\Core\Document\LoomCodec;
use Sartal\Core\Document\Problems;
use Sartal\Core\Installation\HouseRules;
use Sartal\Core\Installation\School;
use Sartal\Core\Planning\Consequences;

/** House rules, and the places and ways that runs share. */
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
            foreach (['location' => [$run->a->location, $run->b->location], 'way' => $run->ways, 'loom' => array_filter([$run->loom])] as $kind => $ids) {
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

    public function part(Request $request, StoredInstallation $stored, string $kind): JsonResponse
    {
        abort_unless(in_array($kind, self::KINDS, true), 404);
        $problems = new Problems;
        $fields = Fields::of($request->input('part'), '', $problems);
        $part = match ($kind) {
            'location' => BuildingCodec::encodeLocation(BuildingCodec::location($fields)),
            'way' => BuildingCodec::encodeWay(BuildingCodec::way($fields)),
            default => LoomCodec::encode(LoomCodec::decode($fields)),
        };
        $fields->done();
        $problems->settle();
        $id = is_string($part['id']) ? $part['id'] : '';
        $name = is_string($part['name']) ? $part['name'] : '';
        $exists = $stored->parts()->where('kind', $kind)->where('key', $id)->exists();
        $version = $request->input('version') === null ? null : $request->integer('version');
        if ($exists && $version === null) {
            throw BadLine::because('id', $id, sprintf('There is such a %s already. Choose another id.', $kind));
        }

        return $this->write($request, $stored, sprintf('%s %s %s', ucfirst($kind), $name, $exists ? 'changed' : 'added'), new Edit($kind, $id, $part, $version));
    }

    public function remove(Request $request, StoredInstallation $stored, Loaded $loaded, string $kind, string $id): JsonResponse
    {
        abort_unless(in_array($kind, self::KINDS, true), 404);
        foreach ($loaded->installation->runs as $run) {
            if (in_array($id, match ($kind) {
                'location' => [$run->a->location, $run->b->location],
                'way' => $run->ways,
                default => [$run->loom],
            }, true)) {
                throw BadLine::because('id', $id, sprintf('%s still uses it. Change that run first.', $run->code));
            }
        }

        return $this->write($request, $stored, sprintf('%s %s removed', ucfirst($kind), $id), new Edit($kind, $id, null, $request->integer('version')));
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
