<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Models\StoredEntry;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\Rows;
use App\Recording\Photograph;
use App\Recording\Uploads;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\WhyCodec;
use Sartal\Core\Given\Installation\Why;

/** Why something was decided is said beside it, and kept with it. Each is one change that can be undone. */
final readonly class WhyDesk
{
    public function __construct(private ChangeLog $log)
    {
    }

    /** @return array{?Why, int} what is said of a decision, and its version; 0 where nobody said */
    public static function of(StoredInstallation $stored, DecisionKind $kind, string $of): array
    {
        $row = StoredEntry::query()
            ->where('installation_id', $stored->id)
            ->where('kind', DecisionKind::Why->value)
            ->where('key', Why::idOf($kind->value, $of))
            ->first();
        if ($row === null) {
            return [null, 0];
        }
        $problems = new Problems();
        $why = WhyCodec::decode(Fields::from($row->definition, '', $problems));
        $problems->settle();

        return [$why, $row->version];
    }

    /**
     * @param  list<string>  $pictures  that stay
     *
     * @throws BadLine where there is no such decision
     * @throws StaleWrite where somebody else has said it meanwhile
     */
    public function say(
        Loaded $loaded,
        Author $by,
        DecisionKind $kind,
        string $of,
        string $note,
        array $pictures,
        int $version,
    ): void {
        [$before, $now] = self::of($loaded->stored, $kind, $of);
        $name = $this->name($loaded, $kind, $of);
        $note = trim($note);
        $kept = array_values(array_intersect($before->pictures ?? [], $pictures));
        if ($before === null && $version === 0 && $note === '') {
            return;
        }
        $this->write($loaded, $by, $kind, $of, $name, $note, $kept, $version, $now);
    }

    /**
     * @throws BadLine where there is no such decision, or it has its fill of photos
     * @throws StaleWrite as above
     */
    public function show(
        Loaded $loaded,
        Author $by,
        DecisionKind $kind,
        string $of,
        Photograph $photo,
        int $version,
    ): void {
        [$before, $now] = self::of($loaded->stored, $kind, $of);
        $name = $this->name($loaded, $kind, $of);
        $pictures = array_values(array_unique([...$before->pictures ?? [], $photo->name]));
        if (count($pictures) > WhyCodec::MOST) {
            throw BadLine::because('picture', '', sprintf(
                'There are %d photos of this already. Take one out first.',
                WhyCodec::MOST,
            ));
        }
        Uploads::keep($loaded->stored, $photo, fn (): bool => $this->write(
            $loaded,
            $by,
            $kind,
            $of,
            $name,
            $before->note ?? '',
            $pictures,
            $version,
            $now,
        ));
    }

    /** @param  list<string>  $pictures */
    private function write(
        Loaded $loaded,
        Author $by,
        DecisionKind $kind,
        string $of,
        string $name,
        string $note,
        array $pictures,
        int $version,
        int $now,
    ): bool {
        $id = Why::idOf($kind->value, $of);
        $isGone = $note === '' && $pictures === [];
        $why = new Why($id, $note, $pictures, $by->user->name, now()->toIso8601String());
        $this->log->write(Decision::on(
            $loaded,
            $by,
            sprintf($isGone ? '%s: no longer said why' : '%s: said why', $name),
            [new Edit(
                DecisionKind::Why,
                $id,
                $isGone ? null : WhyCodec::encode($why),
                // Where nothing was said, there is no version to compare; where something is by now, it is not this.
                $version === 0 && $now === 0 ? null : $version,
            )],
        ));

        return true;
    }

    /** @throws BadLine */
    private function name(Loaded $loaded, DecisionKind $kind, string $of): string
    {
        $isWhole = $kind->home() === DecisionHome::Whole;
        $shape = $kind->hasReason() && (! $isWhole || $of === Why::ALL)
            ? (new Rows($loaded->stored))->current($kind, $isWhole ? $loaded->stored->key : $of)
            : null;
        if ($shape === null) {
            throw BadLine::because('of', $of, sprintf('There is no such %s. Load the page again.', $kind->words()));
        }
        $name = $isWhole ? '' : $shape['code'] ?? $shape['name'] ?? $shape['label'] ?? $of;

        return $isWhole ? ucfirst($kind->words()) : (is_string($name) ? $name : $of);
    }
}
