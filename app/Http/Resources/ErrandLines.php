<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Errands\Errands;
use App\Models\Errand;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;

/**
 * Errands of an installation, or of somebody, as they are watched.
 *
 * @phpstan-import-type ErrandLine from ErrandResource
 */
final readonly class ErrandLines
{
    /** That are listed. */
    private const MOST = 20;

    public function __construct(private Errands $errands)
    {
    }

    /**
     * @param  HasMany<Errand, StoredInstallation>|HasMany<Errand, User>  $of
     * @return list<ErrandLine> the last one first
     */
    public function all(HasMany $of, User $for): array
    {
        $lines = [];
        foreach ($of->with('user')->get()->take(self::MOST) as $errand) {
            $lines[] = $this->one($errand, $for);
        }

        return $lines;
    }

    /** @return ErrandLine */
    public function one(Errand $errand, User $for): array
    {
        return ErrandResource::of($errand, $for, $this->errands->before($errand));
    }

    /** @return ErrandLine of what is not wanted any more */
    public function calledOff(Errand $errand, User $for): array
    {
        if ($errand->state->isOpen()) {
            $this->errands->callOff($errand);
        }

        return $this->one($errand->refresh(), $for);
    }

    /** @param  HasMany<Errand, StoredInstallation>|HasMany<Errand, User>  $of */
    public static function find(HasMany $of, string $id): Errand
    {
        $found = Str::isUuid($id) ? $of->with('user')->whereKey($id)->first() : null;

        return $found ?? abort(404, 'Nobody has asked for that here, or it is long done.');
    }
}
