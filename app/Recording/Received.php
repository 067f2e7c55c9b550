<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\Membership;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\Proof\Record\Event;

/** A record as somebody sent it, with what the server says of it: by whom, and when it had it. */
final class Received
{
    /**
     * @param  array<array-key, mixed>  $data  an event as the browser sends it
     * @param  int  $skew  s by which the clock of the device was behind
     *
     * @throws InvalidDocument
     */
    public static function event(Membership $by, array $data, int $skew = 0): Event
    {
        $received = now('UTC')->format('Y-m-d\TH:i:s.u\Z');
        $problems = new Problems();
        $fields = Fields::from(
            [
                ...array_diff_key($data, ['skew' => 0, 'with' => 0]),
                'by' => $by->user->key,
                'received' => $received,
                'at' => $data['at'] ?? $received,
                // Without a word of what it was done on, its clock says when.
                'on' => $data['on'] ?? [],
                ...isset($data['at']) && $skew !== 0 ? ['skew' => $skew] : [],
            ],
            '',
            $problems,
        );
        $sent = EventCodec::decode($fields);
        $fields->done();
        $problems->settle();

        return $sent;
    }
}
