<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use RuntimeException;

/** What is asked for belongs to another installation than the one that is open: nothing is read or written. */
final class Elsewhere extends RuntimeException
{
    /** Of every request from a page: the key of the installation that the page was loaded with, percent-encoded. */
    public const HEADER = 'Sartal-Installation';

    /** The same, of a link that is opened without a page. */
    public const PARAMETER = 'installation';

    /**
     * @param  ?array{key: string, name: string}  $page
     * @param  array{key: string, name: string}  $open
     */
    private function __construct(string $words, private readonly ?array $page, private readonly array $open)
    {
        parent::__construct($words);
    }

    /** @throws self */
    public static function check(Request $request, User $user, StoredInstallation $open): void
    {
        $said = $request->header(self::HEADER) ?? $request->query(self::PARAMETER);
        $key = is_string($said) ? rawurldecode($said) : '';
        if ($key === $open->key) {
            return;
        }
        $here = ['key' => $open->key, 'name' => $open->name];
        if ($key !== '') {
            $name = $user->installations()->where('installations.key', $key)->value('name');
            $page = ['key' => $key, 'name' => is_string($name) ? $name : $key];
            $words = sprintf(
                'This belongs to %s, and %s is open. Nothing was read or written. Open %1$s again to go on with it.',
                $page['name'],
                $here['name'],
            );
            throw new self($words, $page, $here);
        }
        if (! $request->isMethodSafe() && $user->installations()->count() > 1) {
            throw new self(
                sprintf(
                    'Say which installation this is for; %s is open. Nothing was written. Load the page again.',
                    $here['name'],
                ),
                null,
                $here,
            );
        }
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
