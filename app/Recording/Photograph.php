<?php

declare(strict_types=1);

namespace App\Recording;

use App\Contract\Refusal;
use GdImage;

/**
 * A photo as it is kept: drawn anew from its points, so that nothing of what
 * came beside them stays (where and by what it was taken, and whatever else a
 * file can carry), the right way up, and no larger than anybody looks at.
 */
final readonly class Photograph
{
    /** Points along the longer side. */
    private const LONGEST = 2400;

    /** Points that are unpacked at all: more would fill the memory of the server. */
    private const MOST = 50_000_000;

    private const QUALITY = 85;

    /** What is read, by how it is unpacked. */
    private const READ = [
        IMAGETYPE_JPEG => 'imagecreatefromjpeg',
        IMAGETYPE_PNG => 'imagecreatefrompng',
        IMAGETYPE_WEBP => 'imagecreatefromwebp',
    ];

    /** EXIF orientation → degrees against the clock, and whether it is mirrored (CIPA DC-008, tag 0x0112). */
    private const TURNS = [
        2 => [0, true],
        3 => [180, false],
        4 => [180, true],
        5 => [270, true],
        6 => [270, false],
        7 => [90, true],
        8 => [90, false],
    ];

    private const KINDS = [IMAGETYPE_JPEG => 'jpg', IMAGETYPE_PNG => 'png', IMAGETYPE_WEBP => 'webp'];

    /**
     * @param  string  $name  by what it holds
     * @param  string  $original  by what the file held that was sent
     */
    private function __construct(public string $name, public string $bytes, public string $original)
    {
    }

    /** @throws Refusal where it is no photo, or too large a one */
    public static function from(string $path): self
    {
        $size = @getimagesize($path);
        $read = $size === false ? null : self::READ[$size[2]] ?? null;
        if ($size === false || $read === null) {
            throw Refusal::of('picture', 'This is no JPEG, PNG or WebP picture. Choose a photo.');
        }
        if ($size[0] * $size[1] > self::MOST) {
            throw Refusal::of(
                'picture',
                sprintf(
                    'This photo has %d million points, and %d are read. Take it at a lower resolution.',
                    intdiv($size[0] * $size[1], 1_000_000),
                    intdiv(self::MOST, 1_000_000),
                ),
            );
        }
        $image = @$read($path);
        if (! ($image instanceof GdImage)) {
            throw Refusal::of('picture', 'This picture is damaged. Take it again.');
        }
        $isDrawing = $size[2] === IMAGETYPE_PNG;
        $image = self::upright(self::scaled($image), $isDrawing ? 1 : self::orientation($path, $size[2]));
        ob_start();
        // Drawings stay sharp; what a camera took is a JPEG.
        $isDrawing ? imagepng($image, null, 9) : imagejpeg($image, null, self::QUALITY);
        $bytes = (string) ob_get_clean();

        return new self(
            hash('sha256', $bytes).($isDrawing ? '.png' : '.jpg'),
            $bytes,
            hash_file('sha256', $path).'.'.self::KINDS[$size[2]],
        );
    }

    private static function scaled(GdImage $image): GdImage
    {
        $longest = max(imagesx($image), imagesy($image));
        if ($longest <= self::LONGEST) {
            // A palette's colours become plain ones, which is all that can be turned.
            imagepalettetotruecolor($image);

            return $image;
        }
        $scaled = imagescale(
            $image,
            max(1, (int) round((imagesx($image) * self::LONGEST) / $longest)),
            max(1, (int) round((imagesy($image) * self::LONGEST) / $longest)),
        );

        return $scaled instanceof GdImage ? $scaled : $image;
    }

    private static function upright(GdImage $image, int $orientation): GdImage
    {
        [$degrees, $mirrored] = self::TURNS[$orientation] ?? [0, false];
        $turned = $degrees === 0 ? $image : imagerotate($image, $degrees, 0);
        $turned = $turned instanceof GdImage ? $turned : $image;
        if ($mirrored) {
            imageflip($turned, IMG_FLIP_HORIZONTAL);
        }

        return $turned;
    }

    private static function orientation(string $path, int $type): int
    {
        $exif = $type === IMAGETYPE_JPEG ? @exif_read_data($path) : false;
        $said = is_array($exif) ? $exif['Orientation'] ?? 1 : 1;

        return is_int($said) ? $said : 1;
    }
}
