<?php

declare(strict_types=1);

namespace App\Who;

use Illuminate\Support\Facades\RateLimiter;

/**
 * How often somebody may try to sign in. Slips count by account and address
 * together, so that a stranger elsewhere locks nobody out; many accounts from
 * one address count as well, and many addresses at one account, but for
 * devices that this account was signed in on before.
 */
final readonly class Attempts
{
    /** kind → how many in how many s */
    private const MOST = ['pair' => [5, 60], 'address' => [60, 60], 'account' => [50, 3600]];

    /** @var array<string, string> kind → what is counted under */
    private array $keys;

    public function __construct(string $account, string $address, private bool $isKnownDevice)
    {
        $this->keys = [
            'pair' => 'sign-in:'.hash('sha256', $account.'|'.$address),
            'address' => 'sign-in-from:'.$address,
            'account' => 'sign-in-to:'.hash('sha256', $account),
        ];
    }

    /** @return ?int s until the next one; null: now */
    public function wait(): ?int
    {
        $waits = [];
        foreach ($this->counted() as $kind) {
            if (RateLimiter::tooManyAttempts($this->keys[$kind], self::MOST[$kind][0])) {
                $waits[] = RateLimiter::availableIn($this->keys[$kind]);
            }
        }

        return $waits === [] ? null : max(1, ...$waits);
    }

    public function failed(): void
    {
        foreach (array_keys(self::MOST) as $kind) {
            RateLimiter::hit($this->keys[$kind], self::MOST[$kind][1]);
        }
    }

    public function came(): void
    {
        RateLimiter::clear($this->keys['pair']);
    }

    /** @return list<string> */
    private function counted(): array
    {
        return $this->isKnownDevice ? ['pair', 'address'] : ['pair', 'address', 'account'];
    }
}
