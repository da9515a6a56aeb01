// A classic worker: the library that knows a person from what is behind them is loaded by importScripts, and takes
// itself to be on a page. So it finds here as much of a page as it asks for.
/* global SelfieSegmentation, importScripts, self, OffscreenCanvas */
self.window = self;
self.document = {
  addEventListener() {},
  removeEventListener() {},
  createEvent: () => ({ initCustomEvent() {} }),
  createElement(name) {
    if (name === "canvas") return new OffscreenCanvas(1, 1);
    const [attributes, handlers] = [{}, {}];
    return {
      attributes,
      handlers,
      setAttribute: (key, value) => (attributes[key] = value),
      addEventListener: (kind, run) => (handlers[kind] = run),
    };
  },
  body: {
    appendChild({ attributes, handlers }) {
      importScripts(attributes.src);
      setTimeout(() => handlers.load());
    },
  },
};
importScripts("/background/selfie_segmentation.js");

const finder = new SelfieSegmentation({ locateFile: (name) => `/background/${name}` });
// for a person who sits before a camera, wider than high
finder.setOptions({ modelSelection: 1 });
let found = () => {};
finder.onResults((result) => found(result));

let plan = null;
const sheet = new OffscreenCanvas(1, 1);
const pen = sheet.getContext("2d");

function fill(image) {
  const { width, height } = sheet;
  const scale = Math.max(width / image.width, height / image.height);
  const [w, h] = [image.width * scale, image.height * scale];
  pen.drawImage(image, (width - w) / 2, (height - h) / 2, w, h);
}
const beyond = 24;
function drawBehind(image) {
  pen.globalCompositeOperation = "destination-over";
  if (plan.background === "blur") {
    pen.filter = "blur(14px)";
    // beyond the edges, where there is nothing to be blurred with
    pen.drawImage(image, -beyond, -beyond, sheet.width + 2 * beyond, sheet.height + 2 * beyond);
    pen.filter = "none";
  } else if (plan.background === "picture" && plan.picture) fill(plan.picture);
  else {
    pen.fillStyle = plan.colour;
    pen.fillRect(0, 0, sheet.width, sheet.height);
  }
}
async function work(image) {
  const from = performance.now();
  const { segmentationMask } = await new Promise((done, failed) => {
    found = done;
    finder.send({ image }).catch(failed);
  });
  pen.globalCompositeOperation = "copy";
  // the edge is softened: a hard one flickers
  pen.filter = "blur(2px)";
  pen.drawImage(segmentationMask, 0, 0, sheet.width, sheet.height);
  pen.filter = "none";
  pen.globalCompositeOperation = "source-in";
  pen.drawImage(image, 0, 0, sheet.width, sheet.height);
  drawBehind(image);
  const picture = sheet.transferToImageBitmap();
  image.close();
  self.postMessage({ picture, tookMs: performance.now() - from }, [picture]);
}
self.onmessage = ({ data }) => {
  if (data.background) {
    plan = data;
    [sheet.width, sheet.height] = [data.width, data.height];
  } else if (plan) work(data.picture).catch((error) => self.postMessage({ failed: String(error) }));
  else self.postMessage({ failed: "not told what to do" });
};
