<?php

declare(strict_types=1);

namespace App\Releases;

use App\Changes\Foresight;
use App\Handover\Seal;
use App\Models\Release;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\ReleasedRows;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Proof\Record\Record;

/** Releases: what is decided, frozen with its plan and signed, for the shop to work from. */
final readonly class ReleaseDesk
{
    /** That are told while one is made. */
    private const STEPS = 4;

    public function __construct(private InstallationStore $store, private Foresight $foresight)
    {
    }

    /** What a release now would overtake in work that was done by the one before it. */
    public function impact(Loaded $working, Loaded $decided): Impact
    {
        return $this->foresight->impact($working, $decided);
    }

    /**
     * @param  ?callable(string, int, int): void  $tell  what is begun now, how many are done, and of how many
     * @return ?Release null where somebody has decided something meanwhile
     */
    public function release(StoredInstallation $stored, User $by, string $note, ?callable $tell = null): ?Release
    {
        $tell ??= static fn () => null;
        $tell('What is decided', 0, self::STEPS);
        $decided = $this->store->load($stored);
        // With every type that is used, whether it is the house's own or ships with Sartal: a newer catalogue changes
        // nothing here.
        $frozen = $decided->installation->withCatalogue(
            UsedTypes::in($decided->installation)->plus($decided->pinned),
        );
        $document = (new InstallationFile($frozen, new Record(), []))->print();
        $tell('Its plan', 1, self::STEPS);
        $plan = json_encode(
            PlanEncoder::plan($decided->plan(), $decided->installation),
            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        );
        $tell('Signature', 2, self::STEPS);

        return DB::transaction(function () use ($stored, $by, $note, $document, $plan, $tell): ?Release {
            // Whoever decides waits while it is written down, and no longer.
            $now = DB::table('installations')->where('id', $stored->id)->lockForUpdate()->value('decisions');
            if ($now !== $stored->decisions) {
                return null;
            }
            $release = new Release([
                'installation_id' => $stored->id,
                'letter' => self::letter($stored->releases()->count()),
                'note' => mb_substr(trim($note), 0, 500),
                'user_id' => $by->id,
                'created_at' => now('UTC')->format('Y-m-d H:i:s.uP'),
                'document' => $document,
                'plan' => $plan,
                'digest' => hash('sha256', $document.$plan),
            ]);
            $release->signature = Seal::sign(self::statement($release, $stored, (string) $by->sign_in));
            $release->save();
            $tell('Rows for the shop', 3, self::STEPS);
            ReleasedRows::write($stored, $release->id);
            $stored
                ->newQuery()
                ->whereKey($stored->id)
                ->increment('revision', 1, ['release_id' => $release->id]);
            $stored->refresh();

            return $release;
        });
    }

    /** Whether a release is what was signed. */
    public static function holds(Release $release, StoredInstallation $stored): bool
    {
        return hash('sha256', $release->document.$release->plan) === $release->digest &&
            Seal::holds(self::statement($release, $stored, (string) $release->user->sign_in), $release->signature);
    }

    /** A, B … Z, AA, AB … */
    public static function letter(int $number): string
    {
        $letter = '';
        for ($left = $number; $left >= 0; $left = intdiv($left, 26) - 1) {
            $letter = chr(65 + ($left % 26)).$letter;
        }

        return $letter;
    }

    private static function statement(Release $release, StoredInstallation $stored, string $by): string
    {
        return implode("\n", ['sartal-release', $stored->key, $release->letter, $release->digest, $by, $release->note]);
    }
}
