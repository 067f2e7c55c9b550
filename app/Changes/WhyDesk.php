<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Models\StoredEntry;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Recording\Photograph;
use App\Recording\Uploads;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\DecisionName;
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
     * @param  int  $version  of what was said before; 0: nothing was
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
        [$before] = self::of($loaded->stored, $kind, $of);
        $kept = array_values(array_intersect($before->pictures ?? [], $pictures));
        $why = self::now($by, $kind, $of, trim($note), $kept);
        if ($before !== null || ! $why->isSilent()) {
            $this->write($loaded, $by, $why, $version);
        }
    }

    /**
     * @param  int  $version  as above
     *
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
        [$before] = self::of($loaded->stored, $kind, $of);
        $pictures = array_values(array_unique([...$before->pictures ?? [], $photo->name]));
        if (count($pictures) > WhyCodec::MOST) {
            throw BadLine::because('picture', '', sprintf(
                'There are %d photos of this already. Take one out first.',
                WhyCodec::MOST,
            ));
        }
        $why = self::now($by, $kind, $of, $before->note ?? '', $pictures);
        Uploads::keep($loaded->stored, $photo, fn (): Written => $this->write($loaded, $by, $why, $version));
    }

    /** @param  list<string>  $pictures */
    private static function now(Author $by, DecisionKind $kind, string $of, string $note, array $pictures): Why
    {
        return new Why(
            Why::idOf($kind->value, $of),
            $note,
            $pictures,
            $by->user->name,
            now()->toIso8601String(),
        );
    }

    /**
     * @throws BadLine where there is no such decision
     * @throws StaleWrite
     */
    private function write(Loaded $loaded, Author $by, Why $why, int $version): Written
    {
        $kind = DecisionKind::from($why->kind());
        $name = DecisionName::of($kind, $why->of(), $loaded->installation) ?? throw BadLine::because(
            'of',
            $why->of(),
            sprintf('There is no such %s. Load the page again.', $kind->words()),
        );

        return $this->log->write(Decision::on(
            $loaded,
            $by,
            sprintf($why->isSilent() ? '%s: no longer said why' : '%s: said why', ucfirst($name)),
            [new Edit(
                DecisionKind::Why,
                $why->id,
                $why->isSilent() ? null : WhyCodec::encode($why),
                // Where nothing was said, there is no version to compare.
                $version === 0 && self::of($loaded->stored, $kind, $why->of())[0] === null ? null : $version,
            )],
        ));
    }
}
