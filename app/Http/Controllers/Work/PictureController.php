<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Jobs;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Work\EndPicture;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Recording\BenchRecorder;
use App\Recording\DeviceClock;
use App\Recording\Photograph;
use App\Recording\Sent;
use App\Recording\Uploads;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Sartal\Core\File\DecisionKind;
use Symfony\Component\HttpFoundation\Response;

/** Photos of ends: kept under what they hold, so that the same one is kept once. */
final class PictureController
{
    private const MOST = 8 * 1024;

    /** @return Answer<array{new: bool, picture: string}> */
    public function store(
        Request $request,
        #[Body(EndPicture::class)] EndPicture $sent,
        Membership $member,
        StoredInstallation $stored,
        Jobs $jobs,
        BenchRecorder $recorder,
        string $ids,
    ): Answer {
        if ($sent->picture->getSize() > self::MOST * 1024) {
            throw BadLine::because('picture', '', 'This photo is larger than 8 MB. Take it at a lower resolution.');
        }
        $photo = Photograph::from($sent->picture->getPathname());
        $job = $jobs->of($stored, explode(',', $ids)) ?? abort(404, 'There is no such job.');
        $event = [
            'id' => $sent->id,
            'kind' => 'pictured',
            'run' => $sent->run,
            'step' => $sent->step,
            'note' => $sent->note,
            'picture' => $photo->name,
            // What waited on a device says when it was taken.
            ...$sent->at === '' ? [] : ['at' => $sent->at],
            ...$sent->on === [] ? [] : ['on' => $sent->on],
        ];
        $new = Uploads::keep(
            $stored,
            $photo,
            static fn (): bool => $recorder->record(
                $stored,
                $job,
                $member,
                $event,
                // The same file sent again is the same record, however it is drawn by then.
                Sent::by($member->user, ['picture' => $photo->original] + $event),
                DeviceClock::behind($request),
            ),
        );

        return new Answer(['new' => $new, 'picture' => $photo->name], $new ? 201 : 200);
    }

    public function show(StoredInstallation $stored, string $name): Response
    {
        $known = $stored
            ->events()
            ->toBase()
            ->reorder()
            ->where('kind', 'pictured')
            ->where('picture', $name)
            ->exists() ||
            $stored
                ->entries()
                ->where('kind', DecisionKind::Why->value)
                ->whereJsonContains('definition->pictures', $name)
                ->exists();
        abort_unless($known && Uploads::has($stored, $name), 404, 'There is no such picture here.');

        return response()->file(Storage::disk('local')->path(Uploads::FOLDER.$name), [
            'Cache-Control' => 'private, max-age=31536000, immutable',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
