<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Photos: drawn anew, with nothing beside them, in bounds; a refused one leaves nothing. */
final class PicturesTest extends TestCase
{
    private const JOB = 'M-202';

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
    }

    private function send(string $bytes, string $name = 'end.jpg', ?string $id = null): TestResponse
    {
        return $this->as('bench')->post(
            '/api/bench/'.self::JOB.'/pictures',
            [
                'id' => $id ?? (string) Str::uuid(),
                'run' => self::JOB,
                'picture' => UploadedFile::fake()->createWithContent($name, $bytes),
            ],
            ['Accept' => 'application/json'],
        );
    }

    /** 30 × 20 points, the left half red, the right half blue. */
    private static function jpeg(): string
    {
        $image = imagecreatetruecolor(30, 20);
        imagefilledrectangle($image, 0, 0, 14, 19, (int) imagecolorallocate($image, 255, 0, 0));
        imagefilledrectangle($image, 15, 0, 29, 19, (int) imagecolorallocate($image, 0, 0, 255));
        ob_start();
        imagejpeg($image, null, 100);

        return (string) ob_get_clean();
    }

    /** What a phone writes beside the points: TIFF 6.0 in APP1, CIPA DC-008 (EXIF 2.3), sections 4.5 and 4.6. */
    private static function exif(string $jpeg, int $orientation): string
    {
        $maker = "Somebody's phone\0";
        $ifd =
            pack('v', 3).
            pack('vvVvv', 0x0112, 3, 1, $orientation, 0).
            pack('vvVV', 0x010F, 2, strlen($maker), 8 + 2 + 3 * 12 + 4).
            pack('vvVV', 0x8825, 4, 1, 8 + 2 + 3 * 12 + 4 + strlen($maker)).
            pack('V', 0);
        $gps = pack('v', 1).pack('vvV', 1, 2, 2)."N\0\0\0".pack('V', 0);
        $body = "Exif\0\0".'II'.pack('vV', 42, 8).$ifd.$maker.$gps;

        return substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($body) + 2).$body.substr($jpeg, 2);
    }

    private function kept(TestResponse $answer): string
    {
        return (string) Storage::disk('local')->get('pictures/'.$answer->assertCreated()->json('picture'));
    }

    public function test_nothing_stays_of_what_came_beside_the_points(): void
    {
        $sent = self::exif(self::jpeg(), 1).'<?php echo 1;';
        self::assertStringContainsString("Somebody's phone", $sent);
        self::assertIsArray(exif_read_data('data://image/jpeg;base64,'.base64_encode($sent)));
        $kept = $this->kept($this->send($sent));
        foreach (['Exif', 'phone', '<?php', 'GPS'] as $word) {
            self::assertStringNotContainsString($word, $kept);
        }
        self::assertSame([30, 20], array_slice((array) getimagesizefromstring($kept), 0, 2));
    }

    /**
     * Where the red half is once it is upright: EXIF 2.3, table 6, "the 0th row is the visual …, the 0th column the
     * visual …".
     *
     * @return iterable<string, array{int, string}>
     */
    public static function orientations(): iterable
    {
        yield 'top, left' => [1, 'left'];
        yield 'top, right' => [2, 'right'];
        yield 'bottom, right' => [3, 'right'];
        yield 'bottom, left' => [4, 'left'];
        yield 'left, top' => [5, 'top'];
        yield 'right, top' => [6, 'top'];
        yield 'right, bottom' => [7, 'bottom'];
        yield 'left, bottom' => [8, 'bottom'];
    }

    #[DataProvider('orientations')]
    public function test_it_is_the_right_way_up(int $orientation, string $red): void
    {
        $kept = imagecreatefromstring($this->kept($this->send(self::exif(self::jpeg(), $orientation))));
        self::assertNotFalse($kept);
        [$w, $h] = [imagesx($kept), imagesy($kept)];
        $points = [
            'left' => [3, $h / 2],
            'right' => [$w - 4, $h / 2],
            'top' => [$w / 2, 3],
            'bottom' => [$w / 2, $h - 4],
        ];
        $color = imagecolorsforindex($kept, (int) imagecolorat($kept, (int) $points[$red][0], (int) $points[$red][1]));
        self::assertGreaterThan(200, $color['red']);
        self::assertLessThan(60, $color['blue']);
        self::assertSame($orientation > 4, $h > $w);
    }

    public function test_a_large_one_is_made_smaller_and_a_huge_one_is_not_unpacked(): void
    {
        $image = imagecreatetruecolor(3000, 1000);
        ob_start();
        imagejpeg($image);
        $kept = $this->kept($this->send((string) ob_get_clean()));
        self::assertSame([2400, 800], array_slice((array) getimagesizefromstring($kept), 0, 2));

        // A few bytes that say they are 30,000 × 30,000 points.
        $head = pack('NNCCCCC', 30_000, 30_000, 8, 2, 0, 0, 0);
        $bomb = "\x89PNG\r\n\x1a\n".pack('N', 13).'IHDR'.$head.pack('N', crc32('IHDR'.$head));
        $this->send($bomb, 'bomb.png')
            ->assertUnprocessable()
            ->assertJsonPath(
                'errors.picture.0',
                'This photo has 900 million points, and 50 are read. Take it at a lower resolution.',
            );
        $this->send("\xFF\xD8\xFF\xE0 no picture at all")->assertUnprocessable();
        $this->send((string) substr(self::jpeg(), 0, 300))->assertUnprocessable();
    }

    public function test_an_installation_has_its_fill_and_a_refused_photo_leaves_nothing(): void
    {
        $first = $this->send(self::jpeg());
        $bytes = strlen($this->kept($first));
        self::assertSame(
            $bytes,
            (int) DB::table('uploads')->where('installation_id', $this->installation->id)->value('bytes'),
        );
        config(['sartal.photos' => $bytes + 100]);
        $events = $this->installation->events()->count();
        $this->send(self::exif(self::jpeg(), 3))->assertUnprocessable()->assertJsonValidationErrorFor('picture');
        self::assertSame($events, $this->installation->events()->count());
        self::assertCount(1, Storage::disk('local')->files('pictures'));
        self::assertSame(1, DB::table('uploads')->count());
        // The same one again takes no room, and in another record it is another record.
        $this->send(self::jpeg())->assertCreated();
    }

    public function test_the_same_file_under_the_same_id_is_the_same_record(): void
    {
        $id = (string) Str::uuid();
        $this->send(self::jpeg(), 'end.jpg', $id)->assertCreated();
        $this->send(self::jpeg(), 'end.jpg', $id)->assertOk()->assertJsonPath('new', false);
        // Drawn it is the same, sent it was not.
        $this->send(self::exif(self::jpeg(), 1), 'end.jpg', $id)->assertConflict();
    }
}
