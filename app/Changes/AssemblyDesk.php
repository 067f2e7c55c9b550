<?php

declare(strict_types=1);

namespace App\Changes;

use App\Contract\Refusal;
use App\Formats\BadLine;
use App\Http\Requests\Plan\GestureMade;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\ContactCheckCodec;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\ContactCheck;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Drawn;
use Sartal\Core\Plan\Joining\Facing;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Sketch;

/** What a planner's hands do to an assembly: looked at first, or made. Each is one change that can be undone. */
final readonly class AssemblyDesk
{
    private const STALE =
        'Somebody has changed this assembly meanwhile. Nothing was changed, and what you wrote is still here: '.
        'look at what stands now, then do it again.';

    public function __construct(private ChangeLog $log)
    {
    }

    /**
     * What would come of it. Nothing is saved.
     *
     * @return array{Gesture, Drawn}
     *
     * @throws BadLine naming every field, or every line, that is wrong
     */
    public function drawn(Loaded $loaded, GestureMade $sent): array
    {
        try {
            $gesture = Gestures::of($sent, $loaded->installation);
            $sketch = new Sketch($loaded->installation);
            $gesture->draw($sketch);

            return [$gesture, $sketch->drawn()];
        } catch (CannotJoin $cannot) {
            throw BadLine::refusing($cannot);
        }
    }

    /**
     * Somebody has compared a connector with what it mates with.
     *
     * @param  string  $print  of what was compared
     *
     * @throws BadLine
     * @throws Refusal where it is another comparison by now
     */
    public function check(Loaded $loaded, Author $by, string $fitting, string $print): Written
    {
        $of = $loaded->installation->fitting($fitting);
        $facing = Facing::of($loaded->installation, $fitting);
        if ($of === null || $facing === null) {
            throw BadLine::because('fitting', $fitting, 'It mates with nothing yet. Plug it in under Equipment first.');
        }
        if ($facing->print() !== $print) {
            throw Refusal::late(
                'What meets there has changed since you looked. Compare it once more.',
                ['print' => $print],
                ['print' => $facing->print()],
            );
        }
        $check = new ContactCheck($fitting, $print, $by->user->name, now()->toIso8601String());

        return $this->log->write(Decision::on(
            $loaded,
            $by,
            sprintf('%s compared with %s, contact by contact', $of->label, $facing->with),
            [new Edit(DecisionKind::ContactCheck, $fitting, ContactCheckCodec::encode($check))],
        ));
    }

    /**
     * @return ?Written null where everything is so already
     *
     * @throws BadLine
     * @throws StaleWrite where something that it touches was changed since it was seen
     */
    public function make(Loaded $loaded, Author $by, GestureMade $sent): ?Written
    {
        [$gesture, $drawn] = $this->drawn($loaded, $sent);
        $versions = [];
        foreach ($sent->seen as $each) {
            $versions[$each->id] = $each->version;
        }
        $edits = DrawnEdits::of($loaded, $drawn, $versions);

        return $edits === [] ? null : $this->log->write(Decision::on(
            $loaded,
            $by,
            $gesture->words($loaded->installation),
            $edits,
            pins: DrawnEdits::pins($drawn),
            ifStale: self::STALE,
        ));
    }
}
