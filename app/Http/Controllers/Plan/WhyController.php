<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Changes\Author;
use App\Changes\WhyDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Plan\WhyPictured;
use App\Http\Requests\Plan\WhySaid;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Recording\Photograph;
use Sartal\Core\File\DecisionKind;

/**
 * Why something was decided.
 *
 * @phpstan-type WhyShown array{
 *     note: string,
 *     pictures: list<string>,
 *     by: string,
 *     at: string,
 *     version: int,
 * }
 */
final readonly class WhyController
{
    private const MOST = 8 * 1024 * 1024;

    public function __construct(private WhyDesk $desk)
    {
    }

    /** @return Answer<WhyShown> with version 0 where nobody said */
    public function show(StoredInstallation $stored, string $kind, string $of): Answer
    {
        return new Answer(self::shown($stored, self::kind($kind), $of));
    }

    /** @return Answer<WhyShown> */
    public function say(
        #[Body(WhySaid::class)] WhySaid $sent,
        Loaded $loaded,
        Author $author,
        string $kind,
        string $of,
    ): Answer {
        $which = self::kind($kind);
        $this->desk->say($loaded, $author, $which, $of, $sent->note, self::names($sent->pictures), $sent->version);

        return new Answer(self::shown($loaded->stored, $which, $of));
    }

    /** @return Answer<WhyShown> */
    public function picture(
        #[Body(WhyPictured::class)] WhyPictured $sent,
        Loaded $loaded,
        Author $author,
        string $kind,
        string $of,
    ): Answer {
        if ($sent->picture->getSize() > self::MOST) {
            throw BadLine::because('picture', '', 'This photo is larger than 8 MB. Take it at a lower resolution.');
        }
        $which = self::kind($kind);
        $photo = Photograph::from($sent->picture->getPathname());
        $this->desk->show($loaded, $author, $which, $of, $photo, $sent->version);

        return new Answer(self::shown($loaded->stored, $which, $of), 201);
    }

    /**
     * @param  array<array-key, mixed>  $sent
     * @return list<string>
     */
    private static function names(array $sent): array
    {
        return array_values(array_filter($sent, is_string(...)));
    }

    private static function kind(string $kind): DecisionKind
    {
        return DecisionKind::tryFrom($kind) ?? abort(404, 'There is no such kind of decision.');
    }

    /** @return WhyShown */
    private static function shown(StoredInstallation $stored, DecisionKind $kind, string $of): array
    {
        [$why, $version] = WhyDesk::of($stored, $kind, $of);

        return [
            'note' => $why->note ?? '',
            'pictures' => $why->pictures ?? [],
            'by' => $why->by ?? '',
            'at' => $why->at ?? '',
            'version' => $version,
        ];
    }
}
