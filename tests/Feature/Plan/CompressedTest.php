<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use Tests\TestCase;

final class CompressedTest extends TestCase
{
    public function test_an_answer_travels_compressed_and_says_the_same(): void
    {
        // Asked for already: what comes after it says no session anew.
        $this->as('planner')->getJson('/api/session')->assertOk();
        $plain = $this->getJson('/api/schedule')->assertOk();
        self::assertNull($plain->headers->get('Content-Encoding'));
        self::assertStringContainsString('Accept-Encoding', (string) $plain->headers->get('Vary'));
        $reads = ['Accept' => 'application/json', 'Accept-Encoding' => 'gzip, br'];
        $packed = $this->get('/api/schedule', $reads)->assertOk();
        self::assertSame('gzip', $packed->headers->get('Content-Encoding'));
        $content = (string) $packed->getContent();
        self::assertSame((string) strlen($content), $packed->headers->get('Content-Length'));
        self::assertSame($plain->getContent(), gzdecode($content));
        // The table of the trade's own words: a sixth of it at most.
        self::assertLessThan(strlen((string) $plain->getContent()) / 6, strlen($content));
        self::assertSame(
            array_map(static fn ($cookie): string => $cookie->getName(), $plain->headers->getCookies()),
            array_map(static fn ($cookie): string => $cookie->getName(), $packed->headers->getCookies()),
        );
    }

    public function test_what_is_short_a_file_or_asked_for_plain_stays_as_it_is(): void
    {
        $asks = ['Accept' => 'application/json', 'Accept-Encoding' => 'gzip'];
        $short = $this->as('planner')->get('/api/outstanding', $asks)->assertOk();
        self::assertNull($short->headers->get('Content-Encoding'));
        self::assertNull($this->get('/api/schedule.csv', $asks)->assertOk()->headers->get('Content-Encoding'));
        $refused = ['Accept' => 'application/json', 'Accept-Encoding' => 'identity'];
        self::assertNull($this->get('/api/schedule', $refused)->headers->get('Content-Encoding'));
    }
}
