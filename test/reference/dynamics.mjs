// Inverse dynamics by MuJoCo, general-purpose rigid-body physics: reads cases (one JSON text per line) from the first file
// and writes for each, as one line of JSON to the second, the torque that every hinge has to give. A case is a tree of bodies
// with hinges, point masses, and strands to fixed places that pull with a constant force, with a stack's inertia, or like
// springs, together with the hinges' angles, rates and accelerations.
import { readFileSync, writeFileSync } from "node:fs";
import loadMujoco from "mujoco-js";

const [, , from, to] = process.argv;
const mujoco = await loadMujoco();
mujoco.FS.mkdir("/virtual");

const list = (v) => v.map((x) => x.toPrecision(17)).join(" ");

function bodyXML(c, index) {
  const b = c.bodies[index];
  const hinges = b.hinges.map((h) => `<joint type="hinge" axis="${list(h)}"/>`).join("");
  const tiny = "1e-12 1e-12 1e-12";
  const masses = b.points
    .map((p) => `<body pos="${list(p.at)}"><inertial pos="0 0 0" mass="${p.mass.toPrecision(17)}" diaginertia="${tiny}"/></body>`)
    .join("");
  const sites = b.sites.map((s) => `<site name="${s.name}" pos="${list(s.at)}"/>`).join("");
  const children = c.bodies.map((k, i) => (k.parent === index ? bodyXML(c, i) : "")).join("");
  return `<body pos="${list(b.at)}" quat="${list(b.quat)}">${hinges}<inertial pos="${list(b.com)}" mass="${b.mass.toPrecision(17)}" diaginertia="${list(b.inertia)}"/>${masses}${sites}${children}</body>`;
}

function modelXML(c) {
  const fixed = c.strands.map((s, i) => `<site name="fixed${i}" pos="${list(s.from)}"/>`).join("");
  const tendons = c.strands
    .map(
      (s, i) =>
        `<spatial name="strand${i}" stiffness="${s.stiffness}" springlength="0 ${s.rest}" armature="${s.armature}"><site site="fixed${i}"/><site site="${s.to}"/></spatial>`,
    )
    .join("");
  const motors = c.strands.map((_, i) => `<motor tendon="strand${i}"/>`).join("");
  return `<mujoco><compiler angle="radian" balanceinertia="false"/><option gravity="0 ${-c.gravity} 0"><flag contact="disable"/></option>
    <worldbody>${fixed}${c.bodies.map((b, i) => (b.parent < 0 ? bodyXML(c, i) : "")).join("")}</worldbody>
    <tendon>${tendons}</tendon><actuator>${motors}</actuator></mujoco>`;
}

const out = [];
for (const line of readFileSync(from, "utf8").split("\n").filter(Boolean)) {
  const c = JSON.parse(line);
  mujoco.FS.writeFile("/virtual/model.xml", modelXML(c));
  const model = mujoco.MjModel.loadFromXML("/virtual/model.xml");
  const data = new mujoco.MjData(model);
  data.qpos.set(c.angles);
  data.qvel.set(c.rates);
  mujoco.mj_fwdPosition(model, data);
  // The tension of a strand is what a motor that shortens it gives, so its control is negative.
  if (c.strands.length > 0) data.ctrl.set(c.strands.map((s) => -s.tension));
  mujoco.mj_forward(model, data);
  data.qacc.set(c.accelerations);
  mujoco.mj_inverse(model, data);
  const torque = c.angles.map((_, i) => data.qfrc_inverse[i] - data.qfrc_actuator[i]);
  let nanoseconds = 0;
  if (c.repeat > 0) {
    const begin = process.hrtime.bigint();
    for (let k = 0; k < c.repeat; k++) {
      mujoco.mj_fwdPosition(model, data);
      mujoco.mj_forward(model, data);
      data.qacc.set(c.accelerations);
      mujoco.mj_inverse(model, data);
    }
    nanoseconds = Number(process.hrtime.bigint() - begin) / c.repeat;
  }
  out.push(JSON.stringify({ torque, nanoseconds }));
  data.delete();
  model.delete();
}
writeFileSync(to, out.join("\n"));
process.exit(0);
