<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;

/** What is wrong with a contact plan by itself. */
final class PlanProblems
{
    /** @return list<Finding> */
    public static function find(ContactPlan $plan, Catalogue $catalogue): array
    {
        $subject = Subject::plan($plan->id);
        $type = $catalogue->connector($plan->connector);
        if ($type === null) {
            return [
                Finding::stop(
                    'plan.unknown-connector',
                    $subject,
                    sprintf('The plan is for connector "%s", which is unknown.', $plan->connector),
                    'Choose a connector from the catalogue.',
                ),
            ];
        }
        $layout = FittingLayout::ofType($type, $catalogue, $plan->inserts);
        $findings = [];
        foreach ($layout->unfit as $words) {
            $findings[] = Finding::stop(
                'plan.insert',
                $subject,
                ucfirst($words).'.',
                'Choose an insert of the family that the bay takes.',
            );
        }
        foreach ($plan->channels as $channel => $functions) {
            foreach ($functions as $function => $address) {
                if (! $layout->has($address)) {
                    $findings[] = Finding::stop(
                        'plan.no-such-contact',
                        $subject,
                        sprintf(
                            'Channel %s %s is on contact "%s", which %s does not have.',
                            $channel,
                            $function,
                            $address,
                            $type->name,
                        ),
                        'Choose a contact that it has.',
                    );
                }
            }
        }
        foreach ($plan->collisions() as $address => $claims) {
            $findings[] = Finding::stop(
                'plan.contact-twice',
                $subject,
                sprintf('Contact %s is claimed by %s.', $address, implode(' and ', $claims)),
                'Give each function a contact of its own, or declare the contact as shared.',
            );
        }
        $serving = array_filter($catalogue->signals(), static fn ($signal): bool => $plan->channelsFor($signal) !== []);
        if ($plan->channels !== [] && $serving === []) {
            $findings[] = Finding::check(
                'plan.serves-nothing',
                $subject,
                'No channel has a contact for everything that some signal needs.',
                'Give a channel all the functions of its signal.',
            );
        }

        return $findings;
    }
}
