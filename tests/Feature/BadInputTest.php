<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Contract\OpenApi;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Support\Hostile;
use Tests\Support\Share;
use Tests\TestCase;

/**
 * What comes in by mistake or on purpose, made from the contract field by field: nothing of it is answered 500, nothing
 * is accepted that the schema forbids, and what is refused leaves nothing behind.
 */
final class BadInputTest extends TestCase
{
    /** What stands in the places of addresses, so that a request goes as far as it can. */
    private const PLACES = [
        'api/looms/{id}/preview' => ['id' => 'L1'],
        'api/types/{kind}' => ['kind' => 'cable'],
        'api/types/{kind}/preview' => ['kind' => 'procedure'],
        'api/types/{kind}/draw' => ['kind' => 'cable'],
        'api/whys/{kind}/{of}' => ['kind' => 'run', 'of' => 'A-121'],
        'api/types/{kind}/{id}' => ['kind' => 'cable', 'id' => 'pair-foil'],
        'api/library/{kind}/{id}' => ['kind' => 'cable', 'id' => 'pair-foil'],
        'api/shared/{kind}' => ['kind' => 'way'],
        'api/shared/{kind}/{id}' => ['kind' => 'way', 'id' => 'crawl-duct'],
        'api/equipment/{id}' => ['id' => 'mixer'],
        'api/drafts/{id}' => ['id' => '1'],
        'api/places/{id}/move' => ['id' => 'rack-room'],
        'api/schedule/views/{id}' => ['id' => '018f3c1e-0000-7000-8000-000000000009'],
        'api/crew/{person}' => ['person' => 'nobody'],
        'api/organisation/people/{person}' => ['person' => 'nobody'],
        'api/organisation/people/{person}/retired' => ['person' => 'nobody'],
        'api/organisation/installations/{installation}/lead' => ['installation' => 'xx000'],
        'api/simulators/instruments/{kind}/measure' => ['kind' => 'cable-tester'],
        'api/invitations/{token}' => ['token' => 'none'],
        'api/connectors/{id}' => ['id' => 'rect90-male'],
    ];

    private const USUAL = [
        'id' => 'A-121',
        'ids' => 'A-121',
        'side' => 'A',
        'number' => '1',
        'kind' => 'way',
        'person' => 'nobody',
        'device' => 'none',
        'one' => 'A',
        'other' => 'B',
        'letter' => 'A',
        'what' => 'plan',
        'cursor' => '0',
        'name' => 'pack.pdf',
        'token' => 'none',
        'installation' => 'xx000',
        'of' => 'A-121',
        'errand' => 'none',
    ];

    /** Kept apart from what people have: sessions, and what is worked out again. */
    private const NOT_KEPT = ['sessions', 'cache', 'cache_locks', 'kept', 'migrations', 'jobs', 'failed_jobs'];

    /** Of so many that are tried, one is in a share. */
    private const ONE_IN = 4;

    /** @var list<string> what should not have been answered so */
    private array $wrong = [];

    private int $cases = 0;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->member('lead')->update(['roles' => ['planner', 'bench', 'installer', 'tester', 'lead']]);
        // A thousand requests a minute is what this is about.
        $this->withoutMiddleware(\Illuminate\Routing\Middleware\ThrottleRequests::class);
    }

    /** @return array<string, array<string, mixed>> method and address → operation, placed */
    private static function operations(): array
    {
        $document = json_decode(json_encode(app(OpenApi::class)->document(), JSON_THROW_ON_ERROR), true);
        $all = [];
        foreach ($document['paths'] as $path => $operations) {
            foreach ($operations as $verb => $operation) {
                $all[strtoupper($verb).' '.$path] = $operation;
            }
        }

        return [...$all, 'schemas' => $document['components']['schemas']];
    }

    /** @param  array<string, string>  $instead */
    private static function placed(string $path, array $instead = []): string
    {
        $short = ltrim(str_replace('/api/i/{address}/', '/api/', $path), '/');
        $places = $instead + (self::PLACES[$short] ?? []) + self::USUAL;

        return '/'.preg_replace_callback('~\{(\w+)\}~', static fn (array $at): string => $places[$at[1]], $short);
    }

    /** @param  array<mixed>  $body */
    private function send(string $verb, string $path, array $body): TestResponse
    {
        $this->cases++;

        return $this->as('lead')->json($verb, $path, $body);
    }

    /** @return list<string> number of rows and a sum of what is in them, table by table */
    private static function kept(): array
    {
        $tables = DB::table('pg_tables')->where('schemaname', 'public')->pluck('tablename')->sort();

        return $tables
            ->reject(static fn (string $table): bool => in_array($table, self::NOT_KEPT, true))
            ->map(
                static fn (string $table): string => $table.
                    ' '.
                    DB::selectOne(
                        sprintf(
                            'select count(*) || \' \' || coalesce(sum(hashtext(t::text)), 0) as kept from "%s" t',
                            $table,
                        ),
                    )->kept,
            )
            ->values()
            ->all();
    }

    private function note(string $where, TestResponse $answer, string $why): void
    {
        $said = mb_substr((string) $answer->getContent(), 0, 300);
        $this->wrong[] = sprintf('%s: %s, %d %s', $where, $why, $answer->getStatusCode(), $said);
    }

    /** Whatever it is answered: no fault of the application, and a refusal says what to do. */
    private function answered(string $where, TestResponse $answer): void
    {
        if ($answer->getStatusCode() >= 500) {
            $this->note($where, $answer, 'fails');
        } elseif ($answer->getStatusCode() >= 400 && trim((string) $answer->json('message')) === '') {
            $this->note($where, $answer, 'says nothing');
        }
    }

    private function done(int $atLeast): void
    {
        $tried = sprintf('%d of %d, as of %s', count($this->wrong), $this->cases, Share::draw());
        self::assertSame([], array_slice($this->wrong, 0, 40), $tried);
        self::assertGreaterThan($atLeast, $this->cases);
    }

    /**
     * @param  array<string, mixed>  $schema
     * @param  array<string, array<string, mixed>>  $named
     */
    private static function sample(array $schema, array $named): mixed
    {
        $schema = isset($schema['$ref']) ? $named[basename($schema['$ref'])] : $schema;

        return match (((array) ($schema['type'] ?? 'object'))[0]) {
            'string' => $schema['enum'][0] ??
                (isset($schema['pattern'])
                    ? Str::uuid()->toString()
                    : str_repeat('a', max(1, $schema['minLength'] ?? 1))),
            'integer' => $schema['minimum'],
            'number' => 1.0,
            'boolean' => false,
            'array' => [],
            default => array_map(
                static fn (array $each): mixed => self::sample($each, $named),
                array_intersect_key($schema['properties'] ?? [], array_flip($schema['required'] ?? [])),
            ),
        };
    }

    /**
     * @return iterable<string, array{string, string, array<string, mixed>, array<mixed>}> what is written, as it
     *     should be
     */
    private static function bodies(): iterable
    {
        $operations = self::operations();
        $named = $operations['schemas'];
        unset($operations['schemas']);
        foreach ($operations as $name => $operation) {
            [$verb, $path] = explode(' ', $name, 2);
            $content = $operation['requestBody']['content'] ?? [];
            $schema = reset($content)['schema'] ?? [];
            if (! isset($schema['$ref']) || str_contains($path, 'session')) {
                continue;
            }
            $shape = $named[basename($schema['$ref'])];
            $properties = array_map(
                static fn (array $each): array => isset($each['$ref']) ? $named[basename($each['$ref'])] : $each,
                $shape['properties'],
            );
            yield $name => [$verb, $path, $properties, (array) self::sample($shape, $named)];
        }
    }

    public function test_what_the_schema_forbids_is_refused_by_its_field_and_leaves_nothing(): void
    {
        foreach (self::bodies() as $name => [$verb, $path, $properties, $base]) {
            $before = self::kept();
            foreach ($properties as $field => $each) {
                // A photo or a file does not come as JSON, whatever is there.
                foreach (($each['format'] ?? '') === 'binary' ? [] : Hostile::forbidden($each) as $i => $value) {
                    if (! Share::isDrawn("forbidden {$name} {$field} {$i}", self::ONE_IN)) {
                        continue;
                    }
                    $answer = $this->send($verb, self::placed($path), [$field => $value] + $base);
                    $where = $name.' '.$field.'='.mb_substr((string) json_encode($value), 0, 60);
                    $this->answered($where, $answer);
                    if ($answer->getStatusCode() < 400) {
                        $this->note($where, $answer, 'is accepted');
                    } elseif ($answer->getStatusCode() === 422) {
                        $fields = array_keys((array) $answer->json('errors'));
                        $said = array_filter($fields, static fn (string $at): bool => str_starts_with($at, $field));
                        if ($said === []) {
                            $this->note($where, $answer, 'does not name the field');
                        }
                    }
                }
            }
            self::assertSame($before, self::kept(), $name.' leaves something');
        }
        $this->done(Share::least(1100, self::ONE_IN));
    }

    public function test_hostile_values_that_are_lawful_make_nothing_fail(): void
    {
        foreach (self::bodies() as $name => [$verb, $path, $properties, $base]) {
            foreach ($properties as $field => $each) {
                // What makes a whole installation takes a second; two names of it are enough.
                $values = array_slice(
                    Hostile::lawful($each),
                    0,
                    preg_match('~/(templates|releases)$~', $path) ? 2 : 99,
                );
                foreach ($values as $i => $value) {
                    if (! Share::isDrawn("lawful {$name} {$field} {$i}", self::ONE_IN)) {
                        continue;
                    }
                    DB::beginTransaction();
                    $answer = $this->send($verb, self::placed($path), [$field => $value] + $base);
                    DB::rollBack();
                    $this->answered(
                        $name.' '.$field.'='.mb_substr((string) json_encode($value), 0, 60),
                        $answer,
                    );
                }
            }
        }
        $this->done(Share::least(400, self::ONE_IN));
    }

    public function test_addresses_that_are_none_are_answered_by_what_is_not_there(): void
    {
        $operations = self::operations();
        unset($operations['schemas']);
        $hostile = [
            ...array_map(rawurlencode(...), ['101', "\u{05D0}", '=1+1', 'a b']),
            ...['%00', '%E9', '99999999999999999999', '-1', str_repeat('9', 300), '%2e%2e%2f'],
        ];
        foreach (array_keys($operations) as $name) {
            [$verb, $path] = explode(' ', $name, 2);
            if (! preg_match_all('~\{(\w+)\}~', str_replace('{address}', '', $path), $names)) {
                continue;
            }
            foreach ($names[1] as $place) {
                foreach ($hostile as $value) {
                    if (! Share::isDrawn("address {$name} {$place} {$value}", self::ONE_IN)) {
                        continue;
                    }
                    DB::beginTransaction();
                    $answer = $this->send($verb, self::placed($path, [$place => $value]), []);
                    DB::rollBack();
                    $this->answered($name.' '.$place.'='.mb_substr($value, 0, 40), $answer);
                }
            }
        }
        $this->done(Share::least(600, self::ONE_IN));
    }

    public function test_questions_that_are_none_are_refused_by_their_field(): void
    {
        $operations = self::operations();
        unset($operations['schemas']);
        foreach ($operations as $name => $operation) {
            [$verb, $path] = explode(' ', $name, 2);
            foreach ($operation['parameters'] ?? [] as $parameter) {
                if ($parameter['in'] !== 'query') {
                    continue;
                }
                $field = $parameter['name'];
                $isText = ((array) $parameter['schema']['type'])[0] === 'string';
                foreach (
                    [
                        '=%00',
                        '=%E9',
                        ...$isText ? ['[]=a', '[a][b]=c', '='.str_repeat('x', 25_000)] : ['=ten', '[][]=1', '=1e999'],
                    ] as $query
                ) {
                    $answer = $this->send($verb, self::placed($path).'?'.$field.$query, []);
                    $where = $name.'?'.$field.mb_substr($query, 0, 30);
                    $this->answered($where, $answer);
                    if ($answer->getStatusCode() !== 422) {
                        $this->note($where, $answer, 'is accepted');
                    } elseif (! str_contains(implode(' ', array_keys((array) $answer->json('errors'))), $field)) {
                        $this->note($where, $answer, 'does not name the field');
                    }
                }
            }
        }
        $this->done(150);
    }

    public function test_what_is_no_json_or_endless_is_sent_back(): void
    {
        $deep = str_repeat('{"a":', 200).'1'.str_repeat('}', 200);
        $wide = '{"line":['.implode(',', array_fill(0, 260_000, '1')).']}';
        foreach (
            [
                '{',
                '"text"',
                '12',
                "{\"line\":{\"code\":\"\xE9\"}}",
                '{"line":{"code":"a\u0000b"}}',
                $deep,
                $wide,
            ] as $body
        ) {
            foreach (['POST runs', 'POST events', 'PATCH runs/A-121', 'PUT rules'] as $at) {
                [$verb, $path] = explode(' ', $at);
                $this->cases++;
                $answer = $this->as('lead')->call(
                    $verb,
                    '/api/'.$path,
                    server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                    content: $body,
                );
                $this->answered($at.' '.mb_substr($body, 0, 30), $answer);
                self::assertSame(422, $answer->getStatusCode(), $at.' '.mb_substr($body, 0, 30));
            }
        }
        $this->done(20);
    }

    /** @return array<string, array{string, string, string, array<mixed>, array<string, mixed>}> */
    private function documents(): array
    {
        $demo = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $first = static fn (string $list): array => $demo[$list][0];
        $with = static fn (string $kind, string $list): array => ['PUT', '/api/shared/'.$kind, 'part', $first($list)];
        $rules = $this->as('lead')->getJson('/api/rules')->json();
        $bench = $this->getJson('/api/runs/A-121/test')->json();

        return [
            'a place' => [...$with('location', 'locations'), ['version' => 1]],
            'a way' => [...$with('way', 'ways'), ['version' => 1]],
            'a loom' => [...$with('loom', 'looms'), ['version' => 1]],
            'a reel' => [...$with('reel', 'reels'), ['version' => 1]],
            'an instrument' => ['PUT', '/api/instruments', 'part', $first('instruments'), ['version' => 1]],
            'a device' => ['PUT', '/api/equipment', 'device', $first('equipment'), ['version' => 1]],
            'rules' => ['PUT', '/api/rules', 'rules', $rules['rules'], ['version' => $rules['version']]],
            'rules looked at' => ['POST', '/api/rules/preview', 'rules', $rules['rules'], []],
            'labels' => ['POST', '/api/labels/preview', 'scheme', $rules['rules']['labels'], []],
            'a way looked at' => ['POST', '/api/building/preview', 'part', $first('ways'), []],
            'a reading' => ['POST', '/api/runs/A-121/test', 'reading', ['lights' => $bench['expected'] ?? []], []],
            'a connector' => [
                'PUT',
                '/api/types/connector',
                'definition',
                ['id' => 'own'] + $this->type('connector', 'xlr3-male-cable'),
                [],
            ],
            'a cable' => [
                'PUT',
                '/api/types/cable',
                'definition',
                ['id' => 'own'] + $this->type('cable', 'pair-foil'),
                [],
            ],
            'a line' => ['POST', '/api/runs', 'line', $this->line(), []],
            'an event' => [
                'POST',
                '/api/events',
                '',
                [
                    'id' => '00000000-0000-4000-8000-000000000001',
                    'kind' => 'pulled',
                    'run' => 'A-121',
                    'on' => [],
                    'built' => ['length' => '3 m', 'ways' => ['crawl-duct']],
                ],
                [],
            ],
            'a step' => [
                'POST',
                '/api/bench/A-121/events',
                '',
                [
                    'id' => '00000000-0000-4000-8000-000000000002',
                    'kind' => 'prepared',
                    'run' => 'A-121',
                    'step' => 'A-121|cut',
                    'on' => ['x'],
                    'took' => 1.5,
                    'flaws' => ['a' => 'b'],
                ],
                [],
            ],
        ];
    }

    /** @return array<mixed> */
    private function type(string $kind, string $id): array
    {
        return (array) $this->getJson('/api/types/'.$kind.'/'.$id)->json('definition');
    }

    public function test_parts_of_files_with_any_one_value_spoiled_make_nothing_fail(): void
    {
        foreach ($this->documents() as $what => [$verb, $path, $field, $document, $more]) {
            self::assertNotSame([], $document, $what);
            foreach (Hostile::spoiled($document, Share::many(8, 24)) as $where => $spoiled) {
                DB::beginTransaction();
                $before = $this->cases % 20 === 0 ? self::kept() : null;
                $answer = $this->send($verb, $path, $field === '' ? $spoiled : [$field => $spoiled] + $more);
                if ($before !== null && $answer->getStatusCode() >= 400 && self::kept() !== $before) {
                    $this->note($what.' '.$where, $answer, 'leaves something');
                }
                DB::rollBack();
                $this->answered($what.' '.$where, $answer);
            }
        }
        $this->done(Share::least(350, 3));
    }

    public function test_ways_of_nothing_to_nowhere_and_to_themselves_and_labels_of_no_height_are_refused(): void
    {
        $way = $this->as('lead')->getJson('/api/building')->json('ways.0.part');
        foreach (
            [
                ['length' => '0 m'],
                ['length' => '-1 m'],
                ['length' => '0.0000001 mm'],
                ['from' => 'nowhere'],
                ['from' => $way['to']],
                ['fillLimit' => 0],
            ] as $change
        ) {
            $answer = $this->send('PUT', '/api/shared/way', ['part' => $change + $way, 'version' => 1]);
            self::assertSame(422, $answer->getStatusCode(), json_encode($change).' '.$answer->getContent());
        }
        $sheet = [
            ...['pageWidth' => '210 mm', 'pageHeight' => '297 mm', 'columns' => 3, 'rows' => 8, 'width' => '60 mm'],
            ...['height' => '30 mm', 'pitchX' => '65 mm', 'pitchY' => '35 mm', 'left' => '5 mm', 'top' => '8 mm'],
        ];
        foreach (['0 mm', '0.0001 mm', '-3 mm', '50 m', 'high', [], null] as $height) {
            $own = json_encode(['height' => $height] + $sheet, JSON_THROW_ON_ERROR);
            $answer = $this->send('GET', '/api/labels.svg?sheet='.rawurlencode($own), []);
            self::assertSame(422, $answer->getStatusCode(), $own.' '.$answer->getContent());
        }
        self::assertGreaterThan(8, $this->cases);
    }
}
