<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Jobs;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Recording\BenchRecorder;
use App\Recording\DeviceClock;
use App\Recording\Photograph;
use App\Recording\Sent;
use App\Recording\Uploads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\Response;

/** Photos of ends: kept under what they hold, so that the same one is kept once. */
final class PictureController
{
    private const MOST = 8 * 1024;

    public function store(
        Request $request,
        Membership $member,
        StoredInstallation $stored,
        Jobs $jobs,
        BenchRecorder $recorder,
        string $ids,
    ): JsonResponse {
        $request->validate(
            ['picture' => 'required|file|max:'.self::MOST],
            [
                'picture.required' => 'Choose a photo.',
                'picture.max' => 'This photo is larger than 8 MB. Take it at a lower resolution.',
                'picture.uploaded' => 'This photo is larger than the server takes. Take it at a lower resolution.',
            ],
        );
        $file = $request->file('picture');
        assert($file instanceof UploadedFile);
        $photo = Photograph::from($file->getPathname());
        $job = $jobs->of($stored, explode(',', $ids)) ?? abort(404, 'There is no such job.');
        $event = [
            'id' => $request->string('id')->toString(),
            'kind' => 'pictured',
            'run' => $request->string('run')->toString(),
            'step' => $request->string('step')->toString(),
            'note' => $request->string('note')->toString(),
            'picture' => $photo->name,
            // What waited on a device says when it was taken.
            ...$request->has('at') ? ['at' => $request->string('at')->toString()] : [],
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

        return response()->json(['new' => $new, 'picture' => $photo->name], $new ? 201 : 200);
    }

    public function show(StoredInstallation $stored, string $name): Response
    {
        $known = $stored
            ->events()
            ->toBase()
            ->reorder()
            ->where('kind', 'pictured')
            ->where('definition->picture', $name)
            ->exists();
        abort_unless($known && Uploads::has($stored, $name), 404, 'There is no such picture here.');

        return response()->file(Storage::disk('local')->path(Uploads::FOLDER.$name), [
            'Cache-Control' => 'private, max-age=31536000, immutable',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
