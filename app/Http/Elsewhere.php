<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use RuntimeException;

/** What is sent says that it belongs to another installation than its address names: nothing is read or written. */
final class Elsewhere extends RuntimeException
{
    /**
     * Of what a page sends: the address of the installation that it was recorded on. Pages of the first version say
     * its file's name, percent-encoded.
     */
    public const HEADER = 'Sartal-Installation';

    /**
     * @param  ?array{address: string, name: string}  $page
     * @param  array{address: string, name: string}  $open
     */
    private function __construct(string $words, private readonly ?array $page, private readonly array $open)
    {
        parent::__construct($words);
    }

    /** @throws self */
    public static function check(Request $request, User $user, StoredInstallation $open): void
    {
        $said = $request->header(self::HEADER);
        $belongs = is_string($said) ? rawurldecode($said) : '';
        if ($belongs === '' || $belongs === $open->address || $belongs === $open->key) {
            return;
        }
        $own = $user
            ->installations()
            ->where(
                static fn ($either) => $either
                    ->where('installations.address', $belongs)
                    ->orWhere('installations.key', $belongs),
            )
            ->first();
        $page = ['address' => $own->address ?? $belongs, 'name' => $own->name ?? $belongs];
        throw new self(
            sprintf(
                'This belongs to %s, and it was sent to %s. Nothing was read or written.',
                $page['name'],
                $open->name,
            ),
            $page,
            ['address' => $open->address, 'name' => $open->name],
        );
    }

    /**
     * A page of the first version, which names no installation in its addresses: what it has to say waits for a load.
     */
    public static function earlier(): self
    {
        return new self(
            'This page is of an earlier version. Load it again; what was recorded here is kept and sent then.',
            null,
            ['address' => '', 'name' => 'a newer version of this page'],
        );
    }

    public function render(): JsonResponse
    {
        return response()->json(
            ['message' => $this->getMessage(), 'elsewhere' => ['page' => $this->page, 'open' => $this->open]],
            409,
        );
    }

    public function report(): bool
    {
        return true;
    }
}
