<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Point;

/** Draws a connector from the catalogue's millimetres into a given frame. */
final readonly class ConnectorPicture
{
    private const INK = '#22302f';

    private const BODY = '#efe9de';

    /** @param  array<array-key, string>  $fill  address → colour name of its core */
    public function __construct(private ConnectorType $type, private FittingLayout $layout, private array $fill)
    {
    }

    /** Around a middle, no wider and no higher than given, turned or not. */
    public function on(Canvas $canvas, float $cx, float $cy, float $width, float $height, View $view): void
    {
        [$w, $h] = [$this->type->outline->width->inMillimetres(), $this->type->outline->height->inMillimetres()];
        $places = [];
        foreach ($this->layout->cavities as $address => $cavity) {
            $at = $view->wiring ? $cavity->wiring : $cavity->face;
            $places[(string) $address] = $view->place($at->x, $at->y);
            $w = max($w, 2 * abs($at->x) + 3);
            $h = max($h, 2 * abs($at->y) + 3);
        }
        [$w, $h] = abs($view->turn) % 180 === 90 ? [$h, $w] : [$w, $h];
        $scale = min($width / $w, $height / $h);
        $this->body($canvas, $cx, $cy, $scale, $view);
        foreach ($places as $address => [$x, $y]) {
            $address = (string) $address;
            $radius = self::radius($places, $address, $this->type->outline->contact->inMillimetres()) * $scale;
            $colour = $this->fill[$address] ?? null;
            $canvas->circle(
                $cx + $x * $scale,
                $cy + $y * $scale,
                $radius,
                $colour === null ? '#ffffff' : Colours::tint($colour),
                self::INK,
                0.18,
            );
            $short = str_contains($address, '/') ? substr($address, (int) strrpos($address, '/') + 1) : $address;
            $letter = min($radius * 1.15, ($radius * 3) / max(1, mb_strlen($short)));
            $canvas->text(
                $cx + $x * $scale,
                $cy + $y * $scale + $letter * 0.35,
                $short,
                $letter,
                'middle',
                false,
                self::INK,
                true,
            );
        }
    }

    private function body(Canvas $canvas, float $cx, float $cy, float $scale, View $view): void
    {
        $outline = $this->type->outline;
        [$w, $h] = [$outline->width->inMillimetres() / 2, $outline->height->inMillimetres() / 2];
        if ($outline->shape === 'round') {
            $canvas->circle($cx, $cy, $w * $scale, self::BODY, self::INK, 0.4);
        } else {
            $taper = $outline->shape === 'd' ? 0.94 : 1.0;
            $corners = [[-$w, $h], [$w, $h], [$w * $taper, -$h], [-$w * $taper, -$h]];
            $canvas->polygon(
                array_map(static function (array $corner) use ($view, $scale, $cx, $cy): array {
                    [$x, $y] = $view->place($corner[0], $corner[1]);

                    return [$cx + $x * $scale, $cy + $y * $scale];
                }, $corners),
                self::BODY,
                self::INK,
                0.4,
            );
        }
        if ($outline->key !== null) {
            $key = $view->wiring ? $outline->key->mirrored() : new Point($outline->key->x, $outline->key->y);
            [$x, $y] = $view->place($key->x, $key->y);
            $canvas->circle($cx + $x * $scale, $cy + $y * $scale, max(0.7, 0.06 * $w * $scale), self::INK, '');
        }
    }

    /**
     * No larger than half the way to its own nearest neighbour.
     *
     * @param  array<int|string, array{float, float}>  $places
     */
    private static function radius(array $places, string $address, float $contact): float
    {
        $nearest = $contact * 1.3;
        foreach ($places as $other => [$x, $y]) {
            if ((string) $other !== $address) {
                $nearest = min($nearest, hypot($x - $places[$address][0], $y - $places[$address][1]) * 0.46);
            }
        }

        return $nearest;
    }
}
