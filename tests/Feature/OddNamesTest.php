<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Formats\FileImporter;
use App\Models\Membership;
use App\Models\StoredInstallation;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Sartal\Core\File\InstallationFile;
use Tests\Support\Renamed;
use Tests\TestCase;
use Tests\Witness\Asking;

/** Runs and everything else called by digits: every page answers, and the main job goes from end to end. */
final class OddNamesTest extends TestCase
{
    use Asking;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'A'])
            ->assertStatus(202);
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'B'])
            ->assertStatus(202);
        $this->as('lead')->postJson('/api/packs')->assertStatus(202);
    }

    /** The demo again, everything in it called by digits, in place of the demo. */
    private function renamed(): Renamed
    {
        /** @var array<string, mixed> $demo */
        $demo = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        // Hashes of names cannot follow when things are called something else.
        $demo['record'] = array_map(
            static fn (array $event): array => array_diff_key($event, ['fingerprint' => 0]),
            (array) $demo['record'],
        );
        $names = Renamed::digits($demo);
        Membership::query()->delete();
        $file = $names->file($demo);
        $file['installation'] = ['id' => '1066'] + (array) $file['installation'];
        $this->installation = (new FileImporter())->import(
            InstallationFile::parse(json_encode($file, JSON_THROW_ON_ERROR)),
            self::organisation(),
        );
        $this->of('1066');
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'A'])
            ->assertStatus(202);
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'B'])
            ->assertStatus(202);
        $errand = $this->as('lead')->postJson('/api/packs')->assertStatus(202)->json('id');
        self::assertSame('done', $this->getJson('/api/errands/'.$errand)->assertOk()->json('state'));

        return $names;
    }

    public function test_every_route_answers_under_names_of_digits(): void
    {
        $addresses = $this->addresses(['M-203']);
        $names = $this->renamed();
        foreach ($addresses as $address) {
            $now = $names->address($address);
            $answer = $this->answer($now);
            self::assertSame('200', substr($answer, 0, 3), $now.' '.substr($answer, 0, 400));
            // An id is text in every answer, whatever it looks like.
            self::assertDoesNotMatchRegularExpression(
                '~"(id|run|job|assembly|fitting|subject|code|place|location|way|loom)":\s?[0-9]{5,}~',
                $answer,
                $now,
            );
        }
    }

    public function test_the_main_job_goes_from_the_form_to_the_pack(): void
    {
        $names = $this->renamed();
        $line =
            ['code' => '101', 'from' => $names->of('lectern'), 'to' => $names->of('amp-rack-1'), 'ways' => ''] +
            self::line();
        $line['cable'] = $names->of('pair-foil');
        $line['plans_a'] = $names->of('xlr3-female-cable-balanced');
        $line['plans_b'] = $names->of('xlr3-male-cable-balanced');
        $run = $this->as('planner')
            ->postJson('/api/runs', ['line' => $line])
            ->assertCreated()
            ->json();
        self::assertSame('101', $run['code']);
        $id = $run['id'];
        self::assertSame('101', $id, 'An id of digits is text.');
        $this->as('planner')
            ->patchJson('/api/runs/'.$id, ['line' => ['note' => 'mind the step'], 'version' => 1])
            ->assertOk();
        $this->as('planner')
            ->patchJson('/api/runs', ['runs' => [['id' => $id, 'version' => 2]], 'line' => ['spares_a' => '2']])
            ->assertOk();
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'C'])
            ->assertStatus(202);
        foreach (
            $this->as('bench')
                ->getJson('/api/bench/'.$id)
                ->assertOk()
                ->json('job.steps') as $step
        ) {
            foreach ($step['task'] === 'test' ? [] : $step['pieces'] as $piece) {
                self::assertIsString($piece['run']);
                $event = [
                    'id' => Str::uuid()->toString(),
                    'kind' => $step['event'],
                    'run' => $piece['run'],
                    'step' => $piece['id'],
                ];
                $this->as('bench')
                    ->postJson('/api/bench/'.$id.'/events', $event)
                    ->assertCreated();
            }
        }
        $lit = $this->as('tester')
            ->getJson('/api/runs/'.$id.'/test')
            ->assertOk()
            ->json('expected');
        $tested = ['id' => Str::uuid()->toString(), 'kind' => 'tested', 'run' => $id, 'reading' => ['lights' => $lit]];
        $this->as('tester')->postJson('/api/events', $tested)->assertCreated()->assertJsonPath('verdict', 'passes');
        // Then its ways grow longer, and a remedy is taken.
        $ways = $this->as('planner')->getJson('/api/building')->json('ways');
        $isIn = static fn (array $each): bool => in_array($id, array_column($each['runs'], 'id'), true);
        $lies = array_values(array_filter($ways, $isIn));
        self::assertNotSame([], $lies, 'It lies in ways.');
        $by = ['by' => [$lies[0]['part']['id'] => '30 m']];
        $moved = $this->as('planner')->postJson('/api/places/'.$lies[0]['part']['from'].'/move', $by, [
            'Sartal-Intent' => 'ask',
        ]);
        self::assertContains($id, array_column($moved->assertStatus(428)->json('impact.runs'), 'id'));
        $this->as('planner')
            ->postJson('/api/places/'.$lies[0]['part']['from'].'/move', $by, ['Sartal-Intent' => 'accept'])
            ->assertOk();
        $this->as('lead')
            ->postJson('/api/releases', ['note' => 'D'])
            ->assertStatus(202);
        $overtaken = array_column($this->as('lead')->getJson('/api/overtaken')->assertOk()->json('runs'), null, 'id');
        $remake = ['id' => Str::uuid()->toString(), 'remedy' => $overtaken[$id]['remake']['key']];
        $this->as('lead')
            ->postJson('/api/overtaken/'.$id, $remake)
            ->assertCreated();
        $errand = $this->as('lead')->postJson('/api/packs')->assertStatus(202)->json('id');
        self::assertSame('done', $this->getJson('/api/errands/'.$errand)->assertOk()->json('state'));
        self::assertSame('1066', StoredInstallation::query()->findOrFail($this->installation->id)->key);
    }
}
