/**
 * What a test is called to a client, by its id: what the body does, without the trade's words. The studio's own tests keep the name their
 * coach gave them.
 */
const PLAIN: Readonly<Record<string, string>> = {
  'thomas-hip': 'Hip, leg hanging back',
  'thomas-knee': 'Front of the thigh, leg hanging',
  'thomas-drift': 'Outside of the hip, leg hanging',
  'prone-knee-bend': 'Heel to buttock',
  'hip-abduction': 'Leg out to the side',
  'bent-knee-fall-out': 'Knee out to the side',
  'hip-internal-rotation': 'Hip, turned in',
  'hip-external-rotation': 'Hip, turned out',
  'hip-flexion': 'Knee to chest',
  'side-split-height': 'Side split',
  'weight-bearing-lunge': 'Knee to wall',
  'weight-bearing-lunge-angle': 'Knee over toes',
  'straight-knee-dorsiflexion': 'Toes up, knee straight',
  plantarflexion: 'Toes pointed',
  'great-toe-extension': 'Big toe up',
  'active-knee-extension': 'Straightening the knee',
  'straight-leg-raise': 'Straight leg lift',
  'sit-and-reach': 'Sitting reach',
  'chair-sit-and-reach': 'Sitting reach on a chair',
  'finger-to-floor': 'Fingers to floor',
  'side-bend-slide': 'Side bend',
  'seated-rotation': 'Turning while sitting',
  'lumbar-locked-rotation': 'Turning the upper back',
  'shoulder-flexion': 'Arm overhead',
  'shoulder-external-rotation': 'Shoulder, turned out',
  'shoulder-internal-rotation': 'Shoulder, turned in',
  'shoulder-horizontal-abduction': 'Arm back to the side',
  'back-scratch': 'Hands behind the back',
  'neck-rotation': 'Neck turn',
  'neck-side-bend': 'Neck side bend',
  'neck-flexion': 'Chin to chest',
  'neck-extension': 'Looking up',
  'wrist-extension': 'Wrist back',
  'wrist-flexion': 'Wrist forward',
  'straight-knee-lean': 'Leaning over the foot, knee straight',
  'sitting-hip-rotation-in': 'Hip turned in, sitting',
  'sitting-hip-rotation-out': 'Hip turned out, sitting',
  'prone-press-up-height': 'Chest up, face down',
  'head-to-wall': 'Head to wall',
  'wall-arm-raise': 'Arm overhead, back to a wall',
  'elbow-straightening-behind': 'Elbow straight, arm behind',
  'hip-extension-prone': 'Leg back, lying face down',
  'hand-behind-back': 'Hand up the back',
  'thoracic-extension': 'Upper back, bent back',
  'trunk-flexion-tape': 'Low back, bent forward',
};

/** Name of a test for its client. */
export function plainTestName(test: { readonly id: string; readonly name: string }): string {
  return PLAIN[test.id] ?? test.name;
}
