<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Handover\PackDesk;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Why something was decided: said beside it, kept with it, printed in the pack. */
final class WhysTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
    }

    /** @param  list<string>  $pictures */
    private function say(string $of, string $note, int $version = 0, array $pictures = []): TestResponse
    {
        return $this->as('planner')->putJson('/api/whys/'.$of, [
            'note' => $note,
            'pictures' => $pictures,
            'version' => $version,
        ]);
    }

    private function show(string $of, int $version, int $red = 200): TestResponse
    {
        $image = imagecreatetruecolor(30, 20);
        imagefill($image, 0, 0, (int) imagecolorallocate($image, $red, 10, 10));
        ob_start();
        imagejpeg($image);

        return $this->as('planner')->post(
            '/api/whys/'.$of,
            [
                'picture' => UploadedFile::fake()->createWithContent('duct.jpg', (string) ob_get_clean()),
                'version' => $version,
            ],
            ['Accept' => 'application/json'],
        );
    }

    #[TestWith(['run/M-201'])]
    #[TestWith(['fitting/M-201.b1'])]
    #[TestWith(['loom/L1'])]
    #[TestWith(['location/amp-rack-1'])]
    #[TestWith(['rules/all'])]
    #[TestWith(['economy/all'])]
    public function test_it_is_said_of_any_decision_and_taken_back(string $of): void
    {
        $file = fn (): string => (string) $this->as('lead')->get('/api/installation.json')->streamedContent();
        $before = $file();
        $this->as('bench')->getJson('/api/whys/'.$of)->assertOk()->assertExactJson([
            'note' => '',
            'pictures' => [],
            'by' => '',
            'at' => '',
            'version' => 0,
        ]);
        $said = $this->say($of, "The duct is full.\nAsk the electrician first.")->assertOk()->json();
        self::assertSame(["The duct is full.\nAsk the electrician first.", 1], [$said['note'], $said['version']]);
        self::assertSame($said, $this->as('tester')->getJson('/api/whys/'.$of)->json());
        // It overtakes nothing.
        $this->as('lead')->getJson('/api/overtaken')->assertJsonPath('count', 0);
        self::assertNotSame($before, $file());
        $change = $this->installation->changes()->firstOrFail();
        $this->as('planner')->postJson('/api/changes/'.$change->id.'/undo')->assertCreated();
        self::assertSame($before, $file());
    }

    public function test_a_photo_goes_with_it(): void
    {
        $first = $this->show('run/M-201', 0)->assertCreated()->json();
        self::assertCount(1, $first['pictures']);
        $both = $this->show('run/M-201', 1, red: 90)->assertCreated()->json();
        self::assertCount(2, $both['pictures']);
        $this->as('bench')->get('/api/pictures/'.$both['pictures'][1])->assertOk();
        $left = $this->say('run/M-201', 'The duct.', 2, [$both['pictures'][1]])->assertOk()->json();
        self::assertSame([$both['pictures'][1]], $left['pictures']);
        // A name that was never shown here is none.
        $other = $this->say('run/M-201', 'The duct.', 3, [str_repeat('a', 64).'.jpg'])->assertOk()->json();
        self::assertSame([], $other['pictures']);
        // Nothing said and nothing shown: there is no reason any more.
        self::assertSame(0, $this->say('run/M-201', ' ', 4)->assertOk()->json('version'));
    }

    public function test_bad_input_is_named(): void
    {
        $this->say('run/nothing', 'x')->assertUnprocessable()->assertJsonValidationErrors('of');
        $this->say('why/run.M-201', 'x')->assertUnprocessable()->assertJsonValidationErrors('of');
        $this->say('rules/M-201', 'x')->assertUnprocessable()->assertJsonValidationErrors('of');
        $this->say('weather/fine', 'x')->assertNotFound();
        $this->say('run/M-201', str_repeat('x', 5000))->assertUnprocessable()->assertJsonValidationErrors('note');
        $this->as('planner')->post('/api/whys/run/M-201', [
            'picture' => UploadedFile::fake()->createWithContent('x.jpg', 'no photo'),
            'version' => 0,
        ], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonValidationErrors('picture');
        self::assertSame([], Storage::disk('local')->allFiles('pictures'));
    }

    public function test_whoever_comes_second_sees_what_the_first_said(): void
    {
        $this->say('run/M-201', 'One.')->assertOk();
        $this->say('run/M-201', 'Two.')
            ->assertConflict()
            ->assertJsonPath('theirs.note', 'One.')
            ->assertJsonPath('yours.note', 'Two.');
        $this->say('run/M-201', 'Two.', 1)->assertOk()->assertJsonPath('version', 2);
    }

    public function test_it_is_printed_in_the_pack_with_its_photo(): void
    {
        $this->say('loom/L1', 'It goes round the hatch: that is opened every spring.')->assertOk();
        $name = $this->show('loom/L1', 1)->assertCreated()->json('pictures.0');
        $desk = $this->app->make(PackDesk::class);
        $pack = $desk->make($this->installation, $this->person('lead'), static fn () => null);
        $pdf = PackDesk::disk()->path($pack->folder.'/pack.pdf');
        $text = (new Process(['pdftotext', '-layout', $pdf, '-']))->mustRun()->getOutput();
        self::assertStringContainsString('Why it was so decided', $text);
        self::assertStringContainsString('Loom L1 under-stage', $text);
        self::assertStringContainsString('It goes round the hatch: that is opened every spring.', $text);
        $images = (new Process(['pdfimages', '-list', $pdf]))->mustRun()->getOutput();
        self::assertMatchesRegularExpression('~\bimage\s+30\s+20\b~', $images);
        self::assertTrue(PackDesk::disk()->exists($pack->folder.'/pictures/'.$name));
        // A file takes it along.
        $file = json_decode((string) $this->as('lead')->get('/api/installation.json')->streamedContent(), true);
        self::assertSame([['loom.L1', [$name]]], array_map(
            static fn (array $why): array => [$why['id'], $why['pictures']],
            $file['whys'],
        ));
    }
}
