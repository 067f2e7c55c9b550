<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Contract\Answer;
use App\Contract\OpenApi;
use App\Contract\Shape;
use App\Contract\ShapeDecoder;
use App\Contract\ShapeReader;
use App\Formats\BadLine;
use App\Http\Requests\Later\NewTemplate;
use App\Http\Requests\Plan\BulkChange;
use App\Http\Requests\Plan\RunVersion;
use App\Http\Requests\Who\MemberChange;
use App\Models\Role;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Routing\Route;
use PHPUnit\Framework\AssertionFailedError;
use PHPUnit\Framework\Attributes\DataProvider;
use ReflectionClass;
use Tests\Support\Contract;
use Tests\TestCase;

/** The contract is read off what the application does, and says all of it. */
final class ContractTest extends TestCase
{
    /** @return array<string, mixed> */
    private function document(): array
    {
        return (array) $this->as('bench')->getJson('/api/docs.json')->assertOk()->json();
    }

    public function test_every_address_is_in_it_with_who_may_and_what_it_carries(): void
    {
        $document = $this->document();
        self::assertSame('3.1.0', $document['openapi']);
        $contract = app(OpenApi::class);
        $bodies = 0;
        foreach ($contract->routes() as $route) {
            self::assertInstanceOf(Route::class, $route);
            foreach (array_diff($route->methods(), ['HEAD']) as $verb) {
                $operation = $document['paths']['/'.$route->uri()][strtolower($verb)] ?? null;
                self::assertNotNull($operation, $verb.' '.$route->uri());
                $bodies += isset($operation['requestBody']) ? 1 : 0;
            }
        }
        self::assertGreaterThan(60, $bodies);
        $rules = $document['paths']['/api/i/{address}/rules']['put'];
        self::assertSame(['planner', 'lead'], $rules['x-roles']);
        self::assertSame(
            ['$ref' => '#/components/schemas/RulesChange'],
            $rules['requestBody']['content']['application/json']['schema'],
        );
        $ids = [];
        foreach ($document['paths'] as $operations) {
            array_push($ids, ...array_column($operations, 'operationId'));
        }
        self::assertSame($ids, array_unique($ids));
        $this->getJson('/api/docs.json')->assertOk();
        $this->app['auth']->forgetGuards();
        $this->flushSession();
    }

    /** Whatever is written says what it carries, but for what carries nothing. */
    public function test_no_write_reads_its_request_by_itself(): void
    {
        $without = [];
        $paths = app(OpenApi::class)->document()['paths'];
        foreach (app(OpenApi::class)->routes() as $route) {
            $verb = $route->methods()[0];
            $operation = $paths['/'.$route->uri()][strtolower($verb)];
            if (in_array($verb, ['POST', 'PUT', 'PATCH'], true) && ! isset($operation['requestBody'])) {
                $without[] = $verb.' '.str_replace('api/i/{address}/', '', $route->uri());
            }
        }
        sort($without);
        self::assertSame(
            [
                'POST api/installations/{id}/open',
                'POST api/organisation/people/{person}/invitation',
                'POST changes/{id}/undo',
                'POST drafts/{id}',
                'POST library/{kind}/{id}/taken',
                'POST packs',
                'PUT last',
            ],
            $without,
        );
    }

    /** What is no file says what it is; there is no answer of whatever shape but the contract itself. */
    public function test_every_answer_has_a_shape(): void
    {
        $without = [];
        foreach (app(OpenApi::class)->document()['paths'] as $path => $operations) {
            foreach ($operations as $verb => $operation) {
                $content = $operation['responses']['2XX']['content'];
                if (! isset($content['application/json']) || $content['application/json'] == (object) []) {
                    $without[] = $verb.' '.str_replace('/api/i/{address}/', '', (string) $path);
                }
            }
        }
        sort($without);
        self::assertSame(
            [
                'get /api/docs',
                'get bench/{ids}/traveller.pdf',
                'get cutting/cut-list.pdf',
                'get installation.json',
                'get labels.csv',
                'get labels.pdf',
                'get labels.svg',
                'get labels/test-page.pdf',
                'get looms/{id}/formboard.pdf',
                'get looms/{id}/offsets.csv',
                'get packs/{number}.zip',
                'get packs/{number}/{name}',
                'get parts.csv',
                'get pictures/{name}',
                'get plans/{id}.csv',
                'get releases/{letter}/{what}.json',
                'get roll-printer/printed/{number}.svg',
                'get runs-template.csv',
                'get runs/{id}/sheet/{side}/sheet.pdf',
                'get runs/{id}/sheet/{side}/sheet.svg',
                'get runs/{id}/sheet/{side}/strip.svg',
                'get schedule.csv',
                'get simulators/certifier.csv',
            ],
            $without,
        );
    }

    /** What holds every other test's answers can let go of one. */
    public function test_an_answer_that_the_contract_does_not_say_fails(): void
    {
        $this->as('bench')->getJson('/api/session')->assertOk();
        $request = request();
        Contract::hold(new RequestHandled($request, new Answer(['person' => null, 'demo' => null])));
        foreach ([['person' => ['id' => 7]], ['name' => 'nobody'], []] as $wrong) {
            $told = '';
            try {
                Contract::hold(new RequestHandled($request, new Answer($wrong)));
            } catch (AssertionFailedError $failed) {
                $told = $failed->getMessage();
            }
            self::assertStringContainsString('get /api/session answers what the contract does not say', $told);
        }
    }

    public function test_names_stand_for_what_they_are_called_where_they_are_said(): void
    {
        $schemas = app(OpenApi::class)->document()['components']['schemas'];
        // A field that may be left out, a list of shapes, an enum, a part of the file and its coordinates.
        self::assertSame(
            ['array', '#/components/schemas/BeadShown'],
            [$schemas['Row']['properties']['strand']['type'], $schemas['Row']['properties']['strand']['items']['$ref']],
        );
        self::assertSame(['shop', 'site', 'found', 'lead'], $schemas['Build']['enum']);
        self::assertNotContains('note', $schemas['HistoryEvent']['required']);
        self::assertArrayHasKey('note', $schemas['HistoryEvent']['properties']);
        self::assertSame('#/components/schemas/FileWay', $schemas['BuildingWay']['properties']['part']['$ref']);
        self::assertCount(2, $schemas['FileLocation']['properties']['at']['prefixItems']);
        self::assertSame(
            [['$ref' => '#/components/schemas/InstallationRef'], ['type' => 'null']],
            $schemas['SessionOpen']['properties']['open']['anyOf'],
        );
        self::assertSame(['number', 'null'], $schemas['Reach']['properties']['margin']['type']);
    }

    public function test_every_shape_is_used_and_is_final_and_every_field_can_be_described(): void
    {
        $used = [];
        $reader = new ShapeReader();
        $contract = app(OpenApi::class);
        foreach ($contract->routes() as $route) {
            foreach ([$contract->shape($route), $contract->query($route)] as $shape) {
                if ($shape !== null) {
                    $used[$shape] = true;
                    self::assertNotSame([], $reader->fields($shape));
                    self::assertTrue((new ReflectionClass($shape))->isFinal());
                }
            }
        }
        // Within others, however deep.
        for ($look = array_keys($used); $look !== [];) {
            $within = [];
            foreach ($reader->fields(array_pop($look)) as $field) {
                preg_match_all('~App\\\\Http\\\\Requests\\\\[\w\\\\]+~', (string) $field->type, $found);
                array_push($within, ...$found[0]);
            }
            foreach ($within as $class) {
                if (is_a($class, Shape::class, true) && ! isset($used[$class])) {
                    $used[$class] = true;
                    $look[] = $class;
                }
            }
        }
        foreach (glob(app_path('Http/Requests/*/*.php')) ?: [] as $file) {
            $class = 'App\\Http\\Requests\\'.basename(dirname($file)).'\\'.basename($file, '.php');
            if (is_a($class, Shape::class, true)) {
                self::assertArrayHasKey($class, $used, $class.' is of no request.');
            }
        }
    }

    public function test_lists_enums_and_shapes_within_are_decoded_and_slips_are_named_where_they_are(): void
    {
        $decoder = app(ShapeDecoder::class);
        $bulk = $decoder->decode(BulkChange::class, [
            'runs' => [['id' => 'A-1', 'version' => 3], ['id' => ' A-2 ', 'version' => 4]],
            'number' => ['prefix' => 'G-'],
            'unknown' => 'left unread',
        ]);
        self::assertSame(['A-1', 'A-2'], array_map(static fn (RunVersion $each): string => $each->id, $bulk->runs));
        self::assertSame(1, $bulk->number?->step);
        $member = $decoder->decode(MemberChange::class, ['roles' => ['tester'], 'skills' => [], 'version' => 1]);
        self::assertSame([Role::Tester], $member->roles);
        try {
            $decoder->decode(BulkChange::class, [
                'runs' => [['id' => 'A-1', 'version' => 'x'], 'A-2'],
                'number' => ['prefix' => '', 'step' => 0],
            ]);
            self::fail('That is wrong.');
        } catch (BadLine $bad) {
            self::assertSame(
                ['runs.0.version', 'runs.1', 'number.prefix', 'number.step'],
                array_map(static fn ($slip): string => $slip->field, $bad->slips),
            );
            self::assertSame('x', $bad->slips[0]->value);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, bool}> */
    public static function forms(): iterable
    {
        yield 'as a form has it' => [['crew' => '0', 'runs' => '1', 'building' => 'true'], true];
        yield 'as JSON has it' => [['crew' => false, 'runs' => true, 'building' => true], false];
    }

    /** @param  array<string, mixed>  $flags */
    #[DataProvider('forms')]
    public function test_a_form_is_text_and_json_is_not(array $flags, bool $isForm): void
    {
        $data = ['name' => 'Lock gallery', 'key' => 'lock-gallery'] + $flags;
        $sent = app(ShapeDecoder::class)->decode(NewTemplate::class, $data, $isForm);
        self::assertSame(
            [false, true, true, false, true],
            [$sent->crew, $sent->runs, $sent->building, $sent->shelf, $sent->rules],
        );
        if ($isForm) {
            $this->expectException(BadLine::class);
            app(ShapeDecoder::class)->decode(NewTemplate::class, $data, false);
        }
    }

    public function test_what_is_refused_has_one_shape(): void
    {
        $schema = $this->document()['components']['schemas']['Refusal'];
        self::assertSame(['message'], $schema['required']);
        $this->as('planner');
        foreach (
            [
                ['POST', 'runs', [], 422],
                ['PATCH', 'runs/none', ['line' => ['code' => 'x'], 'version' => 1], 404],
                ['PUT', 'matings', ['port' => 'none', 'was' => null], 422],
                ['PUT', 'workshop', ['workshop' => []], 403],
            ] as [$verb, $path, $body, $status]
        ) {
            $answer = $this->json($verb, '/api/'.$path, $body)->assertStatus($status);
            self::assertIsString($answer->json('message'));
            self::assertNotSame('', $answer->json('message'));
            foreach ((array) $answer->json('errors') as $field => $words) {
                self::assertIsString($field);
                self::assertContainsOnly('string', (array) $words);
            }
        }
    }
}
