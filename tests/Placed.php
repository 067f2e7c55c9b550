<?php

declare(strict_types=1);

namespace Tests;

use App\Models\StoredInstallation;
use Illuminate\Testing\TestResponse;

/** Every address names its installation; a test says it once, or is about the demo. */
trait Placed
{
    /** Address of the installation that the test is about; "" for the demo's. */
    private string $at = '';

    private static function demoAddress(): string
    {
        return (string) StoredInstallation::query()->where('key', 'brackwater')->value('address');
    }

    /** From now on addresses are of this installation; of the demo, where nothing is said. */
    protected function of(string $key): static
    {
        $this->at = (string) StoredInstallation::query()->where('key', $key)->value('address');

        return $this;
    }

    /**
     * Every address names its installation; the tests say it once.
     *
     * @param  string  $method
     * @param  string  $uri
     * @param  array<mixed>  $parameters
     * @param  array<mixed>  $cookies
     * @param  array<mixed>  $files
     * @param  array<mixed>  $server
     * @param  ?string  $content
     */
    public function call(
        $method,
        $uri,
        $parameters = [],
        $cookies = [],
        $files = [],
        $server = [],
        $content = null,
    ): TestResponse {
        $at = $this->at === '' ? self::demoAddress() : $this->at;
        $placed = preg_replace(
            '~^/?api/(?!(?:i|session|installations|organisation|invitations|arrivals|docs(?:\.json)?)(?:[/?]|$))~',
            '/api/i/'.$at.'/',
            (string) $uri,
        );

        return parent::call($method, $placed ?? $uri, $parameters, $cookies, $files, $server, $content);
    }
}
