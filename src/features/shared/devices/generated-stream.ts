/** A generated test picture with a moving bar, and no sound: where the browser gives no device, and named as such. */
export function generatedStream(): MediaStream {
  const canvas = document.createElement("canvas");
  canvas.width = 320;
  canvas.height = 180;
  const pen = canvas.getContext("2d")!;
  const draw = () => {
    const x = (Date.now() / 20) % 320;
    pen.fillStyle = "#1a2021";
    pen.fillRect(0, 0, 320, 180);
    pen.fillStyle = "#5cc2b8";
    pen.fillRect(x, 0, 6, 180);
  };
  const timer = setInterval(draw, 100);
  draw();
  const stream = canvas.captureStream(10);
  const [picture] = stream.getVideoTracks();
  // whoever stops a track is not told of it: the picture's own stop ends the drawing
  const stop = picture?.stop.bind(picture);
  if (picture && stop)
    picture.stop = () => {
      clearInterval(timer);
      stop();
    };
  return stream;
}
