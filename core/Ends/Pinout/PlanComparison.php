<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\MatingMode;

/** A plan against that of the half it mates with, contact by contact. */
final class PlanComparison
{
    /** @return list<ContactPair> every contact that one of the two uses */
    public static function between(ContactPlan $own, ContactPlan $theirs, MatingMode $mode): array
    {
        return self::meeting(self::claims($own), self::claims($theirs), $mode);
    }

    /**
     * @param  array<array-key, string>  $here  address → what is there
     * @param  array<array-key, string>  $there
     * @return list<ContactPair>
     */
    public static function meeting(array $here, array $there, MatingMode $mode): array
    {
        $pairs = [];
        foreach ($here as $address => $claim) {
            $opposite = $mode->opposite((string) $address);
            $pairs[] = new ContactPair((string) $address, $claim, $opposite, $there[$opposite] ?? '');
            unset($there[$opposite]);
        }
        $back = array_flip($mode->contacts);
        foreach ($there as $opposite => $claim) {
            $pairs[] = new ContactPair((string) ($back[$opposite] ?? $opposite), '', (string) $opposite, $claim);
        }

        return $pairs;
    }

    /** @return array<array-key, string> address → "channel function" */
    private static function claims(ContactPlan $plan): array
    {
        $claims = [];
        foreach ($plan->channels as $channel => $functions) {
            foreach ($functions as $function => $address) {
                $claims[$address] = isset($claims[$address])
                    ? $claims[$address].' + '.$channel.' '.$function
                    : $channel.' '.$function;
            }
        }

        return $claims;
    }
}
